import type { ReactNode } from 'react';
import css from './charts.module.css';

/** What every chart is drawn on, and its lines and words in; CSS colours. */
export interface ChartLook {
  ground: string;
  ink: string;
}

/** All charts are of one size, so that one looks at the colours only. */
export const SIZE = { width: 274, height: 176, margin: { top: 8, right: 8, bottom: 4, left: 0 } } as const;

export function Chart({ title, ground, ink, children }: ChartLook & { title: string; children: ReactNode }) {
  return (
    <figure className={css.chart} data-chart={title} data-sample style={{ background: ground, color: ink }}>
      <figcaption>{title}</figcaption>
      {children}
    </figure>
  );
}
