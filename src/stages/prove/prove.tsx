'use client';

import { Tabs } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { openFindings } from '@/core/findings/accept';
import { useBrand } from '@/ui/brand-context';
import { useFindings } from '@/ui/findings';
import { StageTitle } from '@/ui/stage-title';
import { ContrastView } from './contrast/contrast-view';
import { FindingsView } from './findings/findings-view';
import { showView, useView, type ViewId } from './views';
import { VisionView } from './vision/vision-view';
import css from './prove.module.css';

const VIEWS: readonly { readonly id: ViewId; readonly label: string; readonly View: () => ReactNode }[] = [
  { id: 'findings', label: 'Findings', View: FindingsView },
  { id: 'contrast', label: 'Contrast', View: ContrastView },
  { id: 'vision', label: 'Colour vision', View: VisionView },
];

export function Prove() {
  const { view } = useView();
  const words = useWords();
  return (
    <Tabs.Root
      value={view}
      onValueChange={({ value }) => showView(value as ViewId)}
      variant="plain"
      size="sm"
      lazyMount
      unmountOnExit
      className={css.prove}
    >
      <StageTitle title="Prove" about={words}>
        <Tabs.List className={css.views} aria-label="Views">
          {VIEWS.map(({ id, label }) => (
            <Tabs.Trigger key={id} value={id} className={css.view}>
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
      </StageTitle>
      {VIEWS.map(({ id, View }) => (
        <Tabs.Content key={id} value={id} className={css.content}>
          <View />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

function useWords(): string {
  const brand = useBrand((state) => state.replica.brand);
  const found = useFindings((state) => state.found);
  if (!found) return 'Looking through the brand…';
  const open = openFindings(brand, found);
  const errors = open.filter(({ severity }) => severity === 'error').length;
  if (errors > 0) return `${errors} ${errors === 1 ? 'thing fails' : 'things fail'}, ${open.length - errors} more to look at`;
  return open.length > 0 ? `Nothing fails; ${open.length} to look at` : 'Nothing fails';
}
