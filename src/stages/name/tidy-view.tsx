import { NAMINGS } from '@/core/brand/document';
import { Button } from '@chakra-ui/react';
import { useMemo } from 'react';
import { type Naming } from '@/core/brand/document';
import { resolveTheme, swatchesOf } from '@/core/brand/resolve';
import { readColour } from '@/core/colour/read';
import { mendAll, tokenFindings, type Finding, type FindingKind } from '@/core/findings/token-findings';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { Choice } from '@/ui/dial';
import { showView } from './views';
import css from './tidy.module.css';

const HEADS: Record<FindingKind, { readonly title: string; readonly mend?: string }> = {
  'no colour': { title: 'Without a colour' },
  clash: { title: 'Names that would be merged' },
  'no room': { title: 'Values without a colour' },
  'lost reference': { title: 'References that lead nowhere' },
  deprecated: { title: 'Still pointing at what is deprecated', mend: 'Point all at their replacements' },
  naming: { title: 'Not in the naming convention', mend: 'Rename all' },
  'orphan token': { title: 'Tokens nothing needs', mend: 'Delete all' },
  'unused swatch': { title: 'Swatches no token uses', mend: 'Delete all' },
};
const KINDS = Object.keys(HEADS) as FindingKind[];
/** Of each kind; what is mended makes room for the next. */
const SHOWN = 100;

/** Everything among the names that wants a look, with what would put it right. */
export function TidyView() {
  const { brand, run, select, theme } = useBrand((state) => ({
    brand: state.replica.brand,
    run: state.run,
    select: state.select,
    theme: state.theme,
  }));
  const mayEdit = useMayEdit();
  const findings = useMemo(() => tokenFindings(brand), [brand]);
  const setNaming = (choice: Naming | 'any') =>
    run({
      label: choice === 'any' ? 'Let names be as they are' : `Name in ${choice}`,
      steps: [{ do: 'brand.edit', set: { naming: choice === 'any' ? null : choice } }],
    });
  const mend = (one: Finding) => {
    const command = one.mend ?? mendAll(brand, [one], `Rename to ${one.path}`);
    if (command) run(command);
  };
  const resolved = resolveTheme(brand, theme);
  const hexOf = ({ about }: Finding) => {
    if (!about) return undefined;
    if ('token' in about) return resolved.get(about.token)?.colour?.hex;
    const place = swatchesOf(brand).get(about.swatch);
    return place && readColour(place.swatch.value)!.hex;
  };
  const look = ({ about }: Finding) => {
    if (!about) return;
    if ('token' in about) showView('tokens');
    select('token' in about ? { token: about.token } : { swatch: about.swatch });
  };
  return (
    <div className={css.tidy}>
      <div className={css.naming}>
        <Choice
          label="Words within a step of a path"
          options={['any', ...NAMINGS]}
          value={brand.naming ?? 'any'}
          onChoose={(choice) => mayEdit && setNaming(choice)}
        />
        <span>
          kebab <code>text.on-header</code> camel <code>text.onHeader</code> dots <code>text.on.header</code>
        </span>
      </div>
      {findings.length === 0 && <p className={css.fine}>Everything has a colour, a name of its own and a use.</p>}
      {KINDS.map((kind) => {
        const found = findings.filter((one) => one.kind === kind);
        if (found.length === 0) return null;
        const { title, mend: mendWords } = HEADS[kind];
        const mendThem = () => {
          const command = mendAll(brand, found, `${title}: ${mendWords!.toLowerCase()}`);
          if (command) run(command);
        };
        const mendable = found.some((one) => one.mend || one.path !== undefined);
        return (
          <section key={kind} aria-label={HEADS[kind].title}>
            <div className={css.head}>
              <h2>
                {HEADS[kind].title} <small>{found.length}</small>
              </h2>
              {mendWords && mendable && found.length > 1 && (
                <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={mendThem}>
                  {HEADS[kind].mend}
                </Button>
              )}
            </div>
            <ul>
              {found.slice(0, SHOWN).map((one) => (
                <li key={one.words}>
                  <i style={{ background: hexOf(one) }} />
                  <span>{one.words}</span>
                  {one.about && (
                    <Button size="2xs" variant="ghost" onClick={() => look(one)}>
                      Show
                    </Button>
                  )}
                  {(one.mend || one.path !== undefined) && (
                    <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={() => mend(one)}>
                      {one.mend?.label ?? `Rename to ${one.path}`}
                    </Button>
                  )}
                </li>
              ))}
              {found.length > SHOWN && <li>and {found.length - SHOWN} more</li>}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
