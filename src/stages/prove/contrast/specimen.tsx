import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import type { Theme } from '@/core/brand/document/theme-shape';
import type { Token } from '@/core/brand/document/token-shape';
import { resolveTheme, swatchesOf, tokensOf, tokensUsing } from '@/core/brand/reading/resolve';
import { contrastRatio } from '@/core/colour/contrast';
import { oklchHex, readColour } from '@/core/colour/read';
import { ENHANCED_RATIO, GRAPHIC_RATIO, TEXT_RATIO, proposeOn } from '@/core/findings/contrast';
import { goodFor, type MatrixRow } from '@/core/findings/matrix';
import { groundsOf } from '@/core/brand/reading/grounds';
import { groundsOfGraphic } from '@/core/findings/contrast-graphic';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Dial } from '@/ui/dial';
import { useTrial } from '@/ui/use-trial';
import { floor, GOOD } from './good';
import css from './contrast.module.css';

/** One pair in real sizes; either colour can be moved in lightness, and everything shows what that would give until it is taken. */
export function Specimen({ row, ground: shownGround, theme }: { row: MatrixRow; ground: Token; theme: Theme }) {
  const { untried, run } = useBrand((state) => ({ untried: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  // What is shown is on trial; what is tried is made from what is not on trial.
  const seenToken = tokensOf(untried).get(row.token.id) ?? row.token;
  const ground = tokensOf(untried).get(shownGround.id) ?? shownGround;
  const resolved = resolveTheme(untried, theme.id);
  const [start, under] = [resolved.get(seenToken.id)?.colour, resolved.get(ground.id)?.colour];
  const [moved, setMoved] = useState<{
    readonly of: 'seen' | 'ground';
    readonly hex: string;
    readonly command: Command;
  } | null>(null);
  const token = moved?.of === 'ground' ? ground : seenToken;
  const command = moved?.command ?? null;
  useTrial(command);
  const moveTo = (of: 'seen' | 'ground', hex: string) => {
    const { id, path } = of === 'ground' ? ground : seenToken;
    const steps: Command['steps'] = [{ do: 'token.set', id, set: { [theme.id]: { colour: hex } } }];
    setMoved({ of, hex, command: { label: `Move ${path} in ${theme.name}`, steps } });
  };
  if (!start || !under) return null;
  const seen = moved?.of === 'seen' ? readColour(moved.hex)! : start;
  const on = moved?.of === 'ground' ? readColour(moved.hex)! : under;
  const ratio = contrastRatio(seen, on);
  const needed = row.kind === 'text' ? TEXT_RATIO : GRAPHIC_RATIO;
  const move = (of: 'seen' | 'ground', from: typeof start) => (lightness: number) =>
    moveTo(of, oklchHex([lightness, from.oklch[1], from.oklch[2]]));
  const propose = () => {
    const grounds = row.kind === 'text' ? groundsOf(untried, seenToken) : groundsOfGraphic(untried, seenToken);
    const all = grounds.includes(ground) ? grounds : [...grounds, ground];
    const found =
      proposeOn(untried, seenToken, all, theme.id, needed) ?? proposeOn(untried, seenToken, [ground], theme.id, needed);
    if (found) moveTo('seen', found.hex);
  };
  const take = (taken: Command) => {
    setMoved(null);
    run(taken);
  };
  const value = token.values[theme.id];
  const swatch = value && 'swatch' in value ? swatchesOf(untried).get(value.swatch)?.swatch : undefined;
  const users = swatch ? tokensUsing(untried.tokens, { swatch: swatch.id }).length : 0;
  return (
    <section className={css.specimen} aria-label={`${seenToken.path} on ${ground.path}`}>
      <h2>
        <code>{seenToken.path}</code> on <code>{ground.path}</code>
      </h2>
      <p className={css.ratio}>
        <b className="figure">{floor(ratio)}</b> to 1 <i aria-hidden>{GOOD[goodFor(ratio)].sign}</i> {GOOD[goodFor(ratio)].words}
      </p>
      <Line ratio={ratio} />
      <div className={css.sample} data-sample style={{ background: on.hex, color: seen.hex }}>
        {row.kind === 'text' ? (
          <>
            <p style={{ fontSize: 12 }}>12 px: the 7:40 to Mill Quay leaves from berth 3</p>
            <p style={{ fontSize: 16 }}>16 px: the 7:40 to Mill Quay</p>
            <p style={{ fontSize: 18.67, fontWeight: 700 }}>14 pt bold is large</p>
            <p style={{ fontSize: 24 }}>18 pt is large</p>
          </>
        ) : (
          <svg viewBox="0 0 220 84" aria-hidden stroke="currentColor" fill="none">
            <rect x="6" y="8" width="70" height="26" strokeWidth="1" />
            <rect x="6" y="46" width="70" height="26" strokeWidth="2" />
            <path d="M92 70 L120 30 L146 52 L176 12" strokeWidth="2" />
            <g fill="currentColor" stroke="none">
              <rect x="186" y="44" width="10" height="28" />
              <rect x="200" y="20" width="10" height="52" />
            </g>
          </svg>
        )}
      </div>
      <Dial
        label={`Lightness of ${seenToken.path}`}
        shown={seen.hex}
        value={seen.oklch[0]}
        min={0}
        max={1}
        step={0.005}
        disabled={!mayEdit}
        onMove={move('seen', start)}
      />
      <Dial
        label={`Lightness of ${ground.path}`}
        shown={on.hex}
        value={on.oklch[0]}
        min={0}
        max={1}
        step={0.005}
        disabled={!mayEdit}
        onMove={move('ground', under)}
      />
      <div className={css.acts}>
        {!moved && ratio < needed && (
          <Button size="xs" variant="outline" disabled={!mayEdit} onClick={propose}>
            Show the nearest that passes
          </Button>
        )}
        {command && (
          <>
            <Button size="xs" disabled={!mayEdit} onClick={() => take(command)}>
              Use it for {token.path} in {theme.name}
            </Button>
            {swatch && !swatch.locked && (
              <Button
                size="xs"
                variant="outline"
                disabled={!mayEdit}
                onClick={() =>
                  take({
                    label: `Make ${swatch.name} readable`,
                    steps: [{ do: 'swatch.edit', id: swatch.id, set: { value: moved!.hex } }],
                  })
                }
              >
                Change the swatch {swatch.name} ({users} {users === 1 ? 'token' : 'tokens'})
              </Button>
            )}
            <Button size="xs" variant="ghost" onClick={() => setMoved(null)}>
              As it was
            </Button>
          </>
        )}
      </div>
    </section>
  );
}

const LEVELS = [GRAPHIC_RATIO, TEXT_RATIO, ENHANCED_RATIO];
/** Ratios are read as products, so the scale is one of logarithms. */
const along = (ratio: number) => (Math.log(ratio) / Math.log(21)) * 100;

/** Where the ratio stands between 1 and 21, with the lines to pass. */
function Line({ ratio }: { ratio: number }) {
  return (
    <div className={css.line} aria-hidden>
      {LEVELS.map((level) => (
        <i key={level} style={{ left: `${along(level)}%` }} data-passed={ratio >= level || undefined}>
          {level}
        </i>
      ))}
      <b style={{ width: `${along(ratio)}%` }} />
    </div>
  );
}
