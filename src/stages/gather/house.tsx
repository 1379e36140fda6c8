import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { pinHouse, takeHouse, type HouseDifference } from '@/core/brand/tools/house-set';
import { deltaE2000 } from '@/core/colour/difference';
import { readColour } from '@/core/colour/read';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Patches } from '@/ui/changes/change-list';
import { useHouse } from '@/ui/asked/house';
import { tell } from '@/ui/notices';
import { ribbon } from '@/ui/ribbon';
import { Tick } from '@/ui/tick';
import css from './house.module.css';

/** The organisation's own palettes beside the brand: what differs, taken whole or in part, or left as it is. */
export function House() {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const { house, differences, standing, isError } = useHouse();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  if (isError && !house) return <p>The house set cannot be reached just now; try again in a moment.</p>;
  if (!house) return <p>Fetching the house set…</p>;
  const chosen = differences.filter(({ id }) => !left.has(id));
  const take = () => {
    const ids = new Set(chosen.map(({ id }) => id));
    if (!run(takeHouse(brand, house, ids))) return;
    const rest = differences.length - chosen.length;
    tell(rest === 0 ? 'The brand has all of the house set now.' : `Taken; ${rest} of it was left as it is.`);
    setLeft(new Set());
  };
  const turn = (id: string, on: boolean) => {
    const next = new Set(left);
    if (on) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  return (
    <section className={css.house} aria-label="House set">
      <h2>
        {standing === 'has it'
          ? 'This brand has all of the house set'
          : standing === 'behind'
            ? `The house set moved: ${countOf(differences)}`
            : `${countOf(differences)}, and stays so`}
      </h2>
      <p>
        {house.number === 0
          ? 'It is the set that Breakwater comes with; an owner of the organisation makes another.'
          : `It is number ${house.number}, made by ${house.by} from ${house.madeFrom}.`}
        {brand.house && standing !== 'has it' && ` This brand was compared with number ${brand.house.number}.`}
      </p>
      <ul className={css.palettes} aria-label="Palettes of the house set">
        {house.palettes.map((palette) => (
          <li key={palette.id}>
            <i style={{ background: ribbon(palette.swatches.map(({ value }) => value)) }} />
            {palette.name}
          </li>
        ))}
      </ul>
      {differences.length > 0 && (
        <>
          <ul className={css.differences} aria-label="What differs">
            {differences.map((difference) => (
              <li key={difference.id}>
                <Tick disabled={!mayEdit} checked={!left.has(difference.id)} onTick={(checked) => turn(difference.id, checked)}>
                  {difference.name}
                </Tick>
                <Patches before={hexOf(difference.here)} after={hexOf(difference.house)} />
                <small>{words(difference)}</small>
              </li>
            ))}
          </ul>
          <div className={css.acts}>
            <Button size="xs" disabled={!mayEdit || chosen.length === 0} onClick={take}>
              {left.size === 0 ? 'Take all of it' : `Take ${chosen.length} of ${differences.length}`}
            </Button>
            {brand.house?.pinned ? (
              <Button size="xs" variant="outline" disabled={!mayEdit} onClick={() => run(pinHouse(brand, house.number, false))}>
                Follow the house set again
              </Button>
            ) : (
              <Button size="xs" variant="outline" disabled={!mayEdit} onClick={() => run(pinHouse(brand, house.number, true))}>
                Stay as it is
              </Button>
            )}
            <span>Taking is one step, and can be undone.</span>
          </div>
        </>
      )}
    </section>
  );
}

function countOf(differences: readonly HouseDifference[]): string {
  const swatches = differences.filter(({ what }) => what === 'swatch').length;
  const palettes = differences.length - swatches;
  const parts = [
    ...(swatches > 0 ? [`${swatches} ${swatches === 1 ? 'swatch' : 'swatches'}`] : []),
    ...(palettes > 0 ? [`${palettes} ${palettes === 1 ? 'palette' : 'palettes'}`] : []),
  ];
  return `${parts.join(' and ')} ${differences.length === 1 ? 'differs' : 'differ'}`;
}

function hexOf(css: string | null): string | null {
  return css === null ? null : readColour(css)!.hex;
}

function words({ what, wanted, palette, here, house }: HouseDifference): string {
  if (what === 'palette') return wanted === undefined ? 'a palette that is not here' : `is called ${wanted} in the house`;
  const renamed = wanted === undefined ? '' : `, called ${wanted} there`;
  if (here === null) return `of ${palette}, not here`;
  return here === house ? `of ${palette}${renamed}` : `of ${palette}, ΔE ${deltaE2000(here, house!).toFixed(1)}${renamed}`;
}
