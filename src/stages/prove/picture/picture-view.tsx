import { useEffect, useRef, useState } from 'react';
import { resolveTheme, swatchesOf } from '@/core/brand/reading/resolve';
import type { Brand } from '@/core/brand/document/document';
import { OFF_BRAND, type OffBrand } from '@/core/drift/off-brand';
import { useBrand } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { PictureChoice } from './picture-choice';
import { usePicture, type Opened } from './use-picture';
import css from './picture.module.css';

/** One's own picture, such as a screenshot: its colours beside the brand's nearest, and what is none of them outlined. */
export function PictureView() {
  const own = usePicture();
  return (
    <PictureChoice of={own} hint="such as a screenshot of a screen that should have the brand’s colours">
      {own.opened && <Compared key={own.opened.name} opened={own.opened} />}
    </PictureChoice>
  );
}

function Compared({ opened }: { opened: Opened }) {
  const brand = useBrand((state) => state.replica.brand);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [found, setFound] = useState<OffBrand | string | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const { picture, width, height, name } = opened;
  useEffect(() => {
    let current = true;
    void picture.remote.seen('normal', 1).then((bitmap) => {
      if (current) canvas.current?.getContext('2d')?.drawImage(bitmap, 0, 0);
      bitmap.close();
    });
    picture.remote.offBrand(brand).then(
      (answer) => current && setFound(answer),
      (error: unknown) => tell((error as Error).message),
    );
    return () => {
      current = false;
    };
  }, [picture, brand]);
  const result = found !== null && typeof found !== 'string' ? found : null;
  return (
    <>
      <p className={css.told} role="status">
        {typeof found === 'string'
          ? found
          : result
            ? `${percent(result.onBrand)} of it has a colour of the brand (within ΔE ${OFF_BRAND}); ${result.areas.length} ${result.areas.length === 1 ? 'area has' : 'areas have'} none.`
            : 'Comparing…'}
      </p>
      <div className={css.both}>
        <div className={css.outlined}>
          <canvas ref={canvas} width={width} height={height} role="img" aria-label={name} />
          <svg viewBox={`0 0 ${width} ${height}`} aria-hidden>
            {result?.areas.map(({ area }, at) => (
              <g key={at} data-chosen={chosen === at || undefined}>
                <rect {...area} />
                <rect {...area} />
                <text x={area.x + 4} y={area.y + 16}>
                  {at + 1}
                </text>
              </g>
            ))}
          </svg>
        </div>
        {result && (
          <div className={css.lists}>
            {result.areas.length > 0 && (
              <section aria-label="Areas without a colour of the brand">
                <h2>Areas with none of the brand’s colours</h2>
                <ol>
                  {result.areas.map(({ share, colour }, at) => (
                    <li key={at} data-area>
                      <button aria-pressed={chosen === at} onClick={() => setChosen(chosen === at ? null : at)}>
                        <b>{at + 1}</b>
                        <i style={{ background: colour.hex }} />
                        <i style={{ background: colour.nearest.hex }} />
                        <span>
                          {colour.hex}, nearest {nameOf(brand, colour.nearest)}, ΔE {colour.distance.toFixed(1)}
                        </span>
                        <small>{percent(share)}</small>
                      </button>
                    </li>
                  ))}
                </ol>
              </section>
            )}
            <section aria-label="Colours of the picture">
              <h2>Its colours, and the brand’s nearest</h2>
              <ul>
                {result.colours.slice(0, 24).map((colour) => (
                  <li key={colour.hex} data-off={colour.distance > OFF_BRAND || undefined}>
                    <b aria-hidden>{colour.distance > OFF_BRAND ? '△' : ''}</b>
                    <i style={{ background: colour.hex }} />
                    <i style={{ background: colour.nearest.hex }} />
                    <span>
                      {colour.hex} {colour.distance === 0 ? 'is' : 'is near'} {nameOf(brand, colour.nearest)}
                      {colour.distance > 0 && `, ΔE ${colour.distance.toFixed(1)}`}
                    </span>
                    <small>{percent(colour.share)}</small>
                  </li>
                ))}
              </ul>
            </section>
          </div>
        )}
      </div>
    </>
  );
}

function nameOf(brand: Brand, { token, swatch, theme }: OffBrand['colours'][number]['nearest']): string {
  const path = token === undefined ? undefined : resolveTheme(brand, theme ?? '').get(token)?.token.path;
  if (path !== undefined) return path;
  const place = swatchesOf(brand).get(swatch ?? '');
  return place ? `${place.palette.name} / ${place.swatch.name}` : 'a colour of the brand';
}

function percent(share: number): string {
  return share > 0 && share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(1)} %`;
}
