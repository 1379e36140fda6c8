'use client';

import { openFindings } from '@/core/findings/accept';
import { useBrand } from '@/ui/store/brand-context';
import { useFindings } from '@/ui/asked/findings';
import { StageViews, type StageView } from '@/ui/stage-views';
import { ChartsView } from './charts/charts-view';
import { BesideView } from './beside/beside-view';
import { useDataWhileOpen } from '@/ui/charts/use-data';
import { ContrastView } from './contrast/contrast-view';
import { FindingsView } from './findings/findings-view';
import { InterfaceView } from './interface/interface-view';
import { PictureView } from './picture/picture-view';
import { showView, useView, type ViewId } from './views';
import { VisionView } from './vision/vision-view';

const VIEWS: readonly StageView<ViewId>[] = [
  { id: 'findings', label: 'Findings', View: FindingsView },
  { id: 'contrast', label: 'Contrast', View: ContrastView },
  { id: 'charts', label: 'Charts', View: ChartsView },
  { id: 'interface', label: 'Interface', View: InterfaceView },
  { id: 'beside', label: 'Side by side', View: BesideView },
  { id: 'vision', label: 'Colour vision', View: VisionView },
  { id: 'picture', label: 'Own picture', View: PictureView },
];

export function Prove() {
  useDataWhileOpen();
  const { view } = useView();
  const words = useWords();
  return <StageViews title="Prove" about={words} views={VIEWS} view={view} onView={showView} />;
}

function useWords(): string {
  const brand = useBrand((state) => state.replica.brand);
  const found = useFindings((state) => state.found);
  if (!found) return 'Looking through the brand…';
  const open = openFindings(brand, found);
  const errors = open.filter(({ severity }) => severity === 'error').length;
  if (errors > 0) return `${errors} ${errors === 1 ? 'fails' : 'fail'}, ${open.length - errors} to look at`;
  return open.length > 0 ? `Nothing fails; ${open.length} to look at` : 'Nothing fails';
}
