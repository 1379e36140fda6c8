'use client';

import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { Gather } from '@/stages/gather/gather';
import { Mix } from '@/stages/mix/mix';
import { Name } from '@/stages/name/name';
import { Prove } from '@/stages/prove/prove';
import { Ship } from '@/stages/ship/ship';
import { Watch } from '@/stages/watch/watch';
import type { StageId } from '@/ui/frame/stages';

const STAGES: Record<StageId, () => ReactNode> = { gather: Gather, mix: Mix, name: Name, prove: Prove, ship: Ship, watch: Watch };

/** The stage that the address names. The server has seen to it that a page is only loaded with the name of one. */
export function Stage() {
  const Current = STAGES[usePathname().split('/')[3] as StageId];
  return <Current />;
}
