'use client';

import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { proposeText, TEXT_RATIO, textPairs, type TextPair } from '@/core/findings/contrast';
import { swatchesOf, tokensUsing } from '@/core/brand/resolve';
import type { Command } from '@/core/brand/commands';
import type { Brand } from '@/core/brand/document';
import { contrastRatio } from '@/core/colour/contrast';
import type { ReadColour } from '@/core/colour/read';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { StageLink } from '@/ui/stage-link';
import { StageTitle } from '@/ui/stage-title';
import css from './prove.module.css';

const SHOWN = 200;

export function Prove() {
  const { brand, theme } = useBrand((state) => ({ brand: state.brand, theme: state.theme }));
  const [onlyTheme, setOnlyTheme] = useState(false);
  const all = useMemo(() => textPairs(brand), [brand]);
  if (all.length === 0) {
    return (
      <Empty
        title="Contrast is proved here"
        act={
          <Button asChild size="sm">
            <StageLink stage="name">Name a text and a surface</StageLink>
          </Button>
        }
      >
        There is nothing to measure yet. It takes a token with the role text and one with the role surface; every pair is then
        measured in every theme.
      </Empty>
    );
  }
  const pairs = onlyTheme ? all.filter((pair) => pair.theme.id === theme) : all;
  const failing = pairs.filter((pair) => !pair.passes);
  const themeName = brand.themes.find((each) => each.id === theme)!.name;
  return (
    <>
      <StageTitle
        title={
          failing.length === 0
            ? `All ${pairs.length} pairs can be read`
            : `${failing.length} of ${pairs.length} pairs cannot be read`
        }
        about={`text on surface, WCAG 2.2 level AA: ${TEXT_RATIO} to 1`}
      >
        <Button size="xs" variant="outline" aria-pressed={onlyTheme} onClick={() => setOnlyTheme(!onlyTheme)}>
          {onlyTheme ? 'Show all themes' : `Only ${themeName}`}
        </Button>
      </StageTitle>
      <ul className={css.pairs}>
        {pairs.slice(0, SHOWN).map((pair) => (
          <Pair key={`${pair.theme.id}/${pair.text.id}/${pair.surface.id}`} brand={brand} pair={pair} />
        ))}
      </ul>
      {pairs.length > SHOWN && <p className={css.more}>and {pairs.length - SHOWN} more that stand better</p>}
      <p className={css.more}>{measured(brand, all)}</p>
    </>
  );
}

/** What the figures stand for, and what they do not. */
function measured({ tokens }: Brand, pairs: readonly TextPair[]): string {
  const texts = tokens.filter(({ role }) => role === 'text');
  const reached = new Set(pairs.map(({ text }) => text.id));
  const grounds = new Set(pairs.map(({ surface }) => surface.id));
  const left = tokens.filter(({ id, role }) => role !== 'text' && !grounds.has(id)).length;
  const without = texts.length - reached.size;
  return [
    `Measured: ${reached.size} tokens of the role text, each on what it is set on: the tokens it names, those its name says (on-…), or every surface.`,
    `Left out: ${left} tokens that are neither text nor under one${without > 0 ? `, and ${without} texts without a colour or a surface` : ''}.`,
  ].join(' ');
}

function Pair({ brand, pair }: { brand: Brand; pair: TextPair }) {
  const { theme, text, surface, textColour, surfaceColour, ratio, passes } = pair;
  const proposal = useMemo(() => (passes ? null : proposeText(brand, pair)), [brand, pair, passes]);
  return (
    <li className={css.pair} data-passes={passes} data-pair={`${theme.name}/${text.path}/${surface.path}`}>
      <div data-sample className={css.sample} style={{ background: surfaceColour.hex, color: textColour.hex }}>
        <b>Aa</b> A line of text, as it is read
      </div>
      <div className={css.words}>
        <code>{text.path}</code>
        <span>
          on <code>{surface.path}</code>, {theme.name}
        </span>
      </div>
      <div className={css.ratio}>
        <b className="figure">{floor(ratio)}</b>
        <span>{passes ? '● passes' : '△ fails'}</span>
      </div>
      {!passes && <Proposal brand={brand} pair={pair} proposal={proposal} />}
    </li>
  );
}

function Proposal({ brand, pair, proposal }: { brand: Brand; pair: TextPair; proposal: ReadColour | null }) {
  const { run } = useBrand((state) => ({ run: state.run }));
  const mayEdit = useMayEdit();
  const { text, theme, surfaceColour } = pair;
  if (!proposal) {
    return (
      <p className={css.proposal}>
        No lightness of this hue can be read on all its surfaces; change a surface, or choose fewer for it in Name.
      </p>
    );
  }
  const value = text.values[theme.id]!;
  const inTheme: Command = {
    label: `Make ${text.path} readable in ${theme.name}`,
    steps: [{ do: 'token.set', id: text.id, set: { [theme.id]: { colour: proposal.hex } } }],
  };
  const swatch = 'swatch' in value ? swatchesOf(brand).get(value.swatch)?.swatch : undefined;
  const users = swatch ? tokensUsing(brand.tokens, { swatch: swatch.id }).length : 0;
  return (
    <div className={css.proposal}>
      <div data-sample className={css.sample} style={{ background: surfaceColour.hex, color: proposal.hex }}>
        <b>Aa</b> A line of text, as it is read
      </div>
      <div className={css.words}>
        <span>nearest that passes</span>
        <code>{proposal.hex}</code>
      </div>
      <div className={css.ratio}>
        <b className="figure">{floor(contrastRatio(proposal, surfaceColour))}</b>
        <span>● passes</span>
      </div>
      <div className={css.acts}>
        <Button size="xs" variant="outline" disabled={!mayEdit} onClick={() => run(inTheme)}>
          Use it for {text.path} in {theme.name}
        </Button>
        {swatch && !swatch.locked && (
          <Button
            size="xs"
            variant="ghost"
            disabled={!mayEdit}
            onClick={() =>
              run({
                label: `Make ${swatch.name} readable`,
                steps: [{ do: 'swatch.edit', id: swatch.id, set: { value: proposal.hex } }],
              })
            }
          >
            Change the swatch {swatch.name} ({users} {users === 1 ? 'token' : 'tokens'})
          </Button>
        )}
      </div>
    </div>
  );
}

/** Two decimals, cut and not rounded: 4.496 must not read as 4.50. */
function floor(ratio: number): string {
  return (Math.floor(ratio * 100) / 100).toFixed(2);
}
