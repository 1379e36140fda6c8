import { slug } from '@/core/base/words';
import { useEffect, useMemo, useRef, useState } from 'react';
import { resolveTheme } from '@/core/brand/resolve';
import { deltaE2000 } from '@/core/colour/difference';
import { cssText } from '@/core/formats/kit/css-text';
import { useBrand } from '@/ui/brand-context';
import type { Released } from '@/ui/brand-state';
import { useMatch } from '@/ui/match-store';
import { readScreen } from './read-screen';
import { ViewHead } from './view-head';
import css from './watch.module.css';

const SCREENS = [
  { id: 'dashboard', title: 'Operations dashboard' },
  { id: 'booking', title: 'Booking site' },
  { id: 'trainer', title: 'Deckhand trainer' },
  { id: 'console', title: 'Bridge console' },
] as const;

/** What a screen was last found to show, and in which theme; or why it could not be read. */
interface Read {
  readonly theme: string;
  readonly colours: ReadonlyMap<string, string>;
  readonly problem: string;
}

/** Tokens down, screens across: the colour each screen really shows, and how far it is from the released one. */
export function MatchReport({ release }: { release: Released }) {
  const { id, themeId } = useBrand((state) => ({ id: state.id, themeId: state.theme }));
  const { document: brand, number } = release;
  // A theme made since the release is not on the screens yet; they show the first.
  const theme = brand.themes.find((theme) => theme.id === themeId) ?? brand.themes[0]!;
  const wanted = slug(theme.name);
  const frames = useRef(new Map<string, HTMLIFrameElement>());
  const [reads, setReads] = useState<ReadonlyMap<string, Read>>(new Map());
  const [started] = useState(wanted);
  const report = useMatch((state) => state.report);

  useEffect(() => {
    const onMessage = (event: MessageEvent) => {
      const screen = SCREENS.find((shown) => frames.current.get(shown.id)?.contentWindow === event.source);
      if (!screen || event.origin !== location.origin) return;
      const { drawn, failed } = event.data as { drawn?: string; failed?: string };
      const read: Read =
        failed === undefined
          ? { theme: drawn ?? '', colours: readScreen(frames.current.get(screen.id)!.contentWindow!), problem: '' }
          : { theme: wanted, colours: new Map(), problem: failed };
      setReads((known) => new Map(known).set(screen.id, read));
    };
    window.addEventListener('message', onMessage);
    return () => window.removeEventListener('message', onMessage);
  }, [wanted]);
  useEffect(() => {
    for (const frame of frames.current.values()) frame.contentWindow?.postMessage({ theme: wanted }, location.origin);
  }, [wanted]);

  const rows = useMemo(() => {
    const resolved = resolveTheme(brand, theme.id);
    return [...resolved.values()].map(({ token, colour }) => ({
      path: token.path,
      shown: colour ? cssText(colour) : '',
      cells: SCREENS.map(({ id: screen }) => {
        const read = reads.get(screen);
        const found = read?.theme === wanted ? read.colours.get(token.path) : undefined;
        if (!found || !colour) return null;
        return { found, same: found === cssText(colour), distance: deltaE2000(found, colour.hex) };
      }),
    }));
  }, [brand, theme.id, reads, wanted]);
  const used = rows.filter((row) => row.cells.some(Boolean));
  const matching = used.filter((row) => row.cells.every((cell) => !cell || cell.same)).length;
  const complete = SCREENS.every(({ id: screen }) => reads.get(screen)?.theme === wanted);
  const differing = SCREENS.filter(
    (screen, at) => reads.get(screen.id)?.problem || used.some((row) => row.cells[at] && !row.cells[at].same),
  ).length;
  useEffect(() => {
    const shows = SCREENS.map(({ id: screen, title }) => [title, new Set(reads.get(screen)?.colours.keys())] as const);
    report(complete ? differing : null, new Map(shows));
  }, [report, complete, differing, reads]);

  return (
    <>
      <ViewHead
        title={
          !complete
            ? 'Reading the screens…'
            : matching === used.length
              ? `All ${used.length} colours are identical on every screen`
              : `${matching} of ${used.length} colours are identical on every screen`
        }
        about={`release ${number}, ${theme.name}, read back from what each screen shows`}
      />
      <div className={css.report} data-complete={complete} data-theme={wanted} data-testid="match">
        <div className={css.screens}>
          <span />
          {SCREENS.map(({ id: screen, title }) => {
            const address = `/screens/${screen}/index.html?brand=${id}&release=${number}&theme=`;
            return (
              <figure key={screen}>
                <div className={css.screen}>
                  <iframe
                    ref={(frame) => {
                      if (frame) frames.current.set(screen, frame);
                      else frames.current.delete(screen);
                    }}
                    src={address + started}
                    title={title}
                    tabIndex={-1}
                  />
                </div>
                <figcaption>
                  <a href={address + wanted} target="_blank" rel="noreferrer">
                    {title}
                  </a>
                  <small>{reads.get(screen)?.problem || `release ${number}`}</small>
                </figcaption>
              </figure>
            );
          })}
        </div>
        <table>
          <thead className={css.unseen}>
            <tr>
              <th>Token</th>
              {SCREENS.map((screen) => (
                <th key={screen.id}>{screen.title}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {used.map((row) => (
              <tr key={row.path} data-token={row.path}>
                <th scope="row">
                  <code>{row.path}</code>
                  <i style={{ background: row.shown }} />
                </th>
                {row.cells.map((cell, at) => (
                  <td
                    key={SCREENS[at]!.id}
                    data-screen={SCREENS[at]!.id}
                    data-match={cell ? (cell.same ? 'same' : 'different') : 'unused'}
                  >
                    {cell ? (
                      <div>
                        <i style={{ background: cell.found }} />
                        {cell.same ? (
                          <code>same</code>
                        ) : (
                          <code>
                            <b>{cell.found}</b>
                            <b>{distanceWords(cell.distance)}</b>
                          </code>
                        )}
                      </div>
                    ) : (
                      <small>not used</small>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {complete && used.length < rows.length && (
          <p className={css.rest}>{rows.length - used.length} more tokens are on none of these screens.</p>
        )}
      </div>
    </>
  );
}

/** ΔE2000; one digit more where the difference is smaller than the eye's. */
function distanceWords(distance: number): string {
  return `ΔE ${distance.toFixed(distance < 1 ? 2 : 1)} off`;
}
