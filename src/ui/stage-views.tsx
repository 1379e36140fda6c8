import { Tabs } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { StageTitle } from './stage-title';
import css from './stage-views.module.css';

export interface StageView<Id extends string> {
  readonly id: Id;
  readonly label: string;
  readonly View: () => ReactNode;
}

interface Props<Id extends string> {
  title: string;
  about: ReactNode;
  views: readonly StageView<Id>[];
  view: Id;
  /** What waits in a view; nothing is said of those with none. */
  counts?: Partial<Record<Id, number>>;
  onView: (view: Id) => void;
}

/** A stage of several views, one of which is in front. */
export function StageViews<Id extends string>({ title, about, views, view, counts = {}, onView }: Props<Id>) {
  return (
    <Tabs.Root
      value={view}
      onValueChange={({ value }) => onView(value as Id)}
      variant="plain"
      size="sm"
      lazyMount
      unmountOnExit
      className={css.stage}
    >
      <StageTitle title={title} about={about}>
        <Tabs.List className={css.views} aria-label="Views">
          {views.map(({ id, label }) => (
            <Tabs.Trigger key={id} value={id} className={css.view}>
              {label}
              {(counts[id] ?? 0) > 0 && <small>{counts[id]}</small>}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
      </StageTitle>
      {views.map(({ id, View }) => (
        <Tabs.Content key={id} value={id} className={css.content}>
          <View />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
