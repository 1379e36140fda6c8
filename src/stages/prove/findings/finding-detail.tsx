import { Button, Input } from '@chakra-ui/react';
import { useEffect, useMemo, useState, type FormEvent } from 'react';
import { apply } from '@/core/brand/commands/apply';
import type { Command } from '@/core/brand/commands/commands';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { usesOf } from '@/core/brand/reading/where-used';
import { accept } from '@/core/findings/accept';
import type { Finding } from '@/core/findings/finding';
import { mendOffered } from '@/core/findings/rules';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { mendFor } from '@/ui/asked/findings';
import { useTokensWritten } from '@/ui/asked/formats';
import { tell } from '@/ui/notices';
import { StageLink } from '@/ui/stage-link';
import { coloursOf, type FindingColour } from './finding-colours';
import css from './findings.module.css';

/** Where a finding matters, what would put it right, seen before it is taken, and the word that it may stand. */
export function FindingDetail({ finding, colours }: { finding: Finding; colours: readonly FindingColour[] }) {
  const { brand, run, select } = useBrand((state) => ({
    brand: state.replica.brand,
    run: state.run,
    select: state.select,
  }));
  const mayEdit = useMayEdit();
  const mend = useMend(finding);
  const after = useMemo(() => {
    const applied = mend.command && apply(brand, mend.command);
    return applied?.ok ? coloursOf(applied.brand, finding) : null;
  }, [brand, mend.command, finding]);
  const isText = finding.rule === 'contrast-text' || finding.rule === 'contrast-enhanced';
  const [token] = finding.subject.tokens ?? [];
  const [swatch] = finding.subject.swatches ?? [];
  return (
    <div className={css.detail}>
      <Sample colours={colours} isText={isText} words="as it is" />
      {after && mend.command && <Sample colours={after} isText={isText} words="mended" />}
      <p className={css.where}>
        <Where finding={finding} />
      </p>
      <div className={css.acts}>
        {mend.words !== null && (
          <Button size="xs" disabled={!mayEdit || !mend.command} onClick={() => run(mend.command!)}>
            {mend.words}
          </Button>
        )}
        {mend.refusal !== '' && <span>{mend.refusal}</span>}
        {finding.rule === 'too-few' && (
          <Button asChild size="xs" variant="outline">
            <StageLink stage="name">Extend it in Name, Data values</StageLink>
          </Button>
        )}
        {(token !== undefined || swatch !== undefined) && (
          <Button size="xs" variant="ghost" onClick={() => select(token !== undefined ? { token } : { swatch: swatch! })}>
            Show in the readout
          </Button>
        )}
      </div>
      <Accept finding={finding} />
    </div>
  );
}

interface Mending {
  /** What the mend is called; null where there is none. */
  readonly words: string | null;
  /** null until it is made up, and where nothing can be done. */
  readonly command: Command | null;
  readonly refusal: string;
}

/** The mend of a finding, made up beside the page. */
function useMend(finding: Finding): Mending {
  const brand = useBrand((state) => state.replica.brand);
  const words = mendOffered(finding);
  const [made, setMade] = useState<{ readonly of: Finding; readonly command: Command | null } | null>(null);
  useEffect(() => {
    let current = true;
    if (words !== null)
      mendFor(brand, [finding], words).then(
        (command) => current && setMade({ of: finding, command }),
        (error: unknown) => tell((error as Error).message),
      );
    return () => {
      current = false;
    };
  }, [brand, finding, words]);
  const ready = made?.of === finding ? made : null;
  return {
    words,
    command: ready?.command ?? null,
    refusal:
      words === null
        ? 'Nothing can put this right by itself; decide what should be otherwise.'
        : ready && !ready.command
          ? 'No colour near this one does; change what it stands on or beside.'
          : '',
  };
}

/** The colours side by side, large; a text as it is read. */
function Sample({ colours, isText, words }: { colours: readonly FindingColour[]; isText: boolean; words: string }) {
  const [first, second] = colours;
  return (
    <figure className={css.sample} data-sample>
      {isText && first && second ? (
        <div style={{ background: second.hex, color: first.hex }}>
          <b>Aa</b> A line of text, as it is read
        </div>
      ) : (
        <div>
          {colours.map(({ id, hex }) => (
            <i key={id} style={{ background: hex }} />
          ))}
        </div>
      )}
      <figcaption>
        {words}
        {colours.map(({ id, hex }) => (
          <code key={id}>{hex}</code>
        ))}
      </figcaption>
    </figure>
  );
}

/** Which files and which values of the data it reaches. */
function Where({ finding }: { finding: Finding }) {
  const brand = useBrand((state) => state.replica.brand);
  const written = useTokensWritten();
  const words = useMemo(() => {
    if (!written) return '';
    const [token] = finding.subject.tokens ?? [];
    const swatches = finding.subject.swatches ?? [];
    const uses = [
      ...(token === undefined ? [] : [usesOf(brand, { token }, written)]),
      ...swatches.map((swatch) => usesOf(brand, { swatch }, written)),
    ];
    const destinations = [...new Set(uses.flatMap((use) => use.destinations.map(({ name }) => name)))];
    const tokens = new Set(uses.flatMap((use) => use.tokens)).size;
    return [
      destinations.length > 0 ? `It is written to ${destinations.join(', ')}.` : 'No destination writes it.',
      tokens > 0 ? `${tokens} ${tokens === 1 ? 'token comes' : 'tokens come'} to it.` : '',
    ].join(' ');
  }, [brand, finding, written]);
  return words;
}

function Accept({ finding }: { finding: Finding }) {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const [reason, setReason] = useState('');
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim() !== '') run(accept(brand, finding, reason, newId()));
  };
  return (
    <form className={css.accept} onSubmit={onSubmit}>
      <Input
        size="xs"
        aria-label="Why it may stand"
        placeholder="or say why it may stand"
        value={reason}
        maxLength={LIMITS.note}
        disabled={!mayEdit}
        onChange={({ target }) => setReason(target.value)}
      />
      <Button size="xs" type="submit" variant="outline" disabled={!mayEdit || reason.trim() === ''}>
        Accept it
      </Button>
    </form>
  );
}
