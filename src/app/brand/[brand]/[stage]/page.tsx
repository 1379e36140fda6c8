import { notFound } from 'next/navigation';
import { STAGES } from '@/ui/frame/stages';

/** Sees to it that the address names a stage; the layout draws it, so that going to another needs no server. */
export default async function StagePage({ params }: { params: Promise<{ stage: string }> }) {
  const { stage } = await params;
  if (!STAGES.some(({ id }) => id === stage)) notFound();
  return null;
}
