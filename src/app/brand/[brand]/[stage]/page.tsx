import { notFound } from 'next/navigation';
import { Gather } from '@/stages/gather/gather';
import { Mix } from '@/stages/mix/mix';
import { Name } from '@/stages/name/name';
import { Prove } from '@/stages/prove/prove';
import { Ship } from '@/stages/ship/ship';
import { Watch } from '@/stages/watch/watch';
import type { StageId } from '@/ui/frame/stages';

const STAGES: Record<StageId, () => React.ReactNode> = {
  gather: Gather,
  mix: Mix,
  name: Name,
  prove: Prove,
  ship: Ship,
  watch: Watch,
};

export default async function StagePage({ params }: { params: Promise<{ stage: string }> }) {
  const { stage } = await params;
  if (!Object.hasOwn(STAGES, stage)) notFound();
  const Stage = STAGES[stage as StageId];
  return <Stage />;
}
