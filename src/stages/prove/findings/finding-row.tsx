import { ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import type { Finding } from '@/core/findings/finding';
import { useBrand } from '@/ui/store/brand-context';
import { coloursOf } from './finding-colours';
import { FindingDetail } from './finding-detail';
import css from './findings.module.css';

/** One finding: its colours and its sentence; opened, what can be done about it. */
export function FindingRow({ finding, open, onOpen }: { finding: Finding; open: boolean; onOpen: () => void }) {
  const brand = useBrand((state) => state.replica.brand);
  const colours = useMemo(() => coloursOf(brand, finding), [brand, finding]);
  return (
    <li data-rule={finding.rule} data-open={open || undefined}>
      <button className={css.row} aria-expanded={open} onClick={onOpen}>
        <ChevronRight size={14} aria-hidden />
        <span className={css.patches} aria-hidden>
          {colours.map(({ id, hex }) => (
            <i key={id} style={{ background: hex }} />
          ))}
        </span>
        <span>{finding.message}</span>
      </button>
      {open && <FindingDetail finding={finding} colours={colours} />}
    </li>
  );
}
