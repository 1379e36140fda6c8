import { useState } from 'react';
import { Choice } from '@/ui/dial';
import { CategoricalSeries } from './categorical-series';
import { DivergingSeries } from './diverging-series';
import { SequentialSeries } from './sequential-series';
import type { ToolProps } from './tool';

const KINDS = ['categorical', 'sequential', 'diverging'] as const;
type Kind = (typeof KINDS)[number];

/** Series for data, of the kind the palette has or another. */
export function SeriesTool(props: ToolProps) {
  const [kind, setKind] = useState<Kind>(KINDS.find((offered) => offered === props.palette.kind) ?? 'categorical');
  const choice = <Choice label="Kind of series" plain options={KINDS} value={kind} onChoose={setKind} />;
  if (kind === 'categorical') return <CategoricalSeries {...props} choice={choice} />;
  if (kind === 'sequential') return <SequentialSeries {...props} choice={choice} />;
  return <DivergingSeries {...props} choice={choice} />;
}
