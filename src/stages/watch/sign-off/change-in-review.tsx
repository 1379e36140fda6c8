import { useState } from 'react';
import type { Difference } from '@/core/brand/history/compare';
import type { Brand } from '@/core/brand/document/document';
import { readColour } from '@/core/colour/read';
import { inkOn } from '@/core/colour/contrast';
import type { SignOff } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { Moved } from '@/ui/changes/change-list';
import { coloursOf } from '@/ui/changes/colours-of';
import { Choice } from '@/ui/dial';
import { ContrastMoves } from './contrast-moves';
import { ChartsBeforeAfter, InterfaceBeforeAfter } from './in-use';
import { Remarks } from './remarks';
import css from './sign-off.module.css';

const SHOWN = ['interface', 'charts', 'contrast'] as const;

interface Props {
  before: Brand | null;
  after: Brand;
  difference: Difference;
  open: SignOff | null;
}

/** One change large, before and after; what was said about it; and the brand in use before and after. */
export function ChangeInReview({ before, after, difference: { id, name, was, kind, what, effect }, open }: Props) {
  const theme = useBrand((state) => state.theme);
  const [show, setShow] = useState<(typeof SHOWN)[number]>('interface');
  const then = before ? coloursOf(before, theme)(id) : null;
  const now = coloursOf(after, theme)(id);
  return (
    <section className={css.change} aria-label={`The change of ${name}`}>
      <h3>
        {name}
        <small>
          {what} {kind}
          {was !== undefined && `, was ${was}`}
          <Moved before={then} after={now} />
        </small>
      </h3>
      {effect && <p className={css.note}>{effect}</p>}
      {(then ?? now) !== null && (
        <div className={css.halves}>
          <Half hex={then} word="before" />
          <Half hex={now} word="now" />
        </div>
      )}
      {open && <Remarks signOff={open} about={id} name={name} />}
      <div className={css.shown}>
        <Choice label="What is shown before and after" plain options={SHOWN} value={show} onChoose={setShow} />
        <span>before at the left, now at the right</span>
      </div>
      {show === 'contrast' ? (
        <ContrastMoves before={before} after={after} />
      ) : show === 'interface' ? (
        <InterfaceBeforeAfter before={before} after={after} />
      ) : (
        <ChartsBeforeAfter before={before} after={after} />
      )}
    </section>
  );
}

function Half({ hex, word }: { hex: string | null; word: string }) {
  if (hex === null) return <div className={css.none}>{word}: no colour</div>;
  return (
    <div style={{ background: hex, color: inkOn(readColour(hex)!) }}>
      {word} <code>{hex}</code>
    </div>
  );
}
