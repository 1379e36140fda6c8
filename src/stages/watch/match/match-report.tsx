import { Button } from '@chakra-ui/react';
import { useQueries } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { slug } from '@/core/base/words';
import type { Brand } from '@/core/brand/document/document';
import type { Figure, Reading, Screen } from '@/core/screens/screen';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import type { Released } from '@/ui/store/brand-state';
import { Choice } from '@/ui/dial';
import { download } from '@/ui/download';
import { useMatch } from '@/ui/store/match-store';
import { releaseQuery } from '@/ui/asked/releases';
import { request } from '@/ui/asked/request';
import { ViewHead } from '../view-head';
import { AddScreen } from './add-screen';
import { Course } from './course';
import { csvOf } from '@/core/screens/match-csv';
import { builtReadings, matchTable, type ReadScreen } from '@/core/screens/match-table';
import { MatchTableView } from './match-table-view';
import { ScreenFigure } from './screen-figure';
import { useSimulated } from './use-simulated';
import css from './match.module.css';

const ALL_THEMES = 'all themes';
const ALL = 'all';
const DIFFERENCES = 'differences';

interface MatchReportProps {
  readonly release: Released;
  readonly screens: readonly Screen[];
  readonly figures: readonly Figure[];
}

/** Tokens down, screens across: the colour each screen really shows in every theme, and how far it is from the released one. */
export function MatchReport({ release, screens, figures }: MatchReportProps) {
  const { id, themeId } = useBrand((state) => ({ id: state.id, themeId: state.theme }));
  const mayEdit = useMayEdit();
  const { document: brand, number } = release;
  // A theme made since the release is not on the screens yet; they show the first.
  const theme = brand.themes.find((one) => one.id === themeId) ?? brand.themes[0]!;
  const wanted = slug(theme.name);
  const [looked, setLooked] = useState(ALL_THEMES);
  const [rows, setRows] = useState(ALL);
  const [restarts, setRestarts] = useState<ReadonlyMap<string, number>>(new Map());
  const keyOf = (screen: Screen) => `${screen.id}/${screen.held ?? number}/${screen.edition}/${restarts.get(screen.id) ?? 0}`;
  const keyed = new Map(screens.filter(({ kind }) => kind.is === 'simulated').map((screen) => [keyOf(screen), screen]));
  const simulated = useSimulated(
    keyed,
    brand.themes.map(({ name }) => slug(name)),
    wanted,
  );

  const kept = useQueries({
    queries: screens.map((screen) => ({
      queryKey: ['readings', id, screen.id, screen.readAt],
      enabled: screen.kind.is !== 'simulated' && screen.readAt !== null,
      queryFn: async () => (await request<{ readings: Reading[] }>(`/api/brands/${id}/screens/${screen.id}/readings`)).readings,
    })),
  });
  const told = screens.map((screen, at) => {
    if (screen.kind.is !== 'simulated') return kept[at]!.data ?? [];
    return [...simulated.readOf(keyOf(screen)).readings.values()];
  });
  const earlier = [
    ...new Set([
      ...told.flatMap((readings) => readings.map((one) => one.release)),
      ...screens.map(({ fetched }) => fetched ?? number),
    ]),
  ].filter((runs) => runs < number);
  const documents = useQueries({
    queries: earlier.map((runs) => releaseQuery(id, runs)),
    combine: (results) => new Map(results.flatMap(({ data }, at): [number, Brand][] => (data ? [[earlier[at]!, data]] : []))),
  });
  const read: ReadScreen[] = screens.map((screen, at) => {
    if (screen.kind.is !== 'build' || screen.fetched === null) return { screen, readings: told[at]! };
    const fetched = screen.fetched === number ? brand : documents.get(screen.fetched);
    return { screen, readings: fetched ? builtReadings(fetched, screen.fetched) : [] };
  });
  const identifiers = brand.themes.map(({ name }) => slug(name));
  const table = matchTable(brand, number, documents, read, new Set(looked === ALL_THEMES ? identifiers : [wanted]), wanted);
  const { differing, same, strays } = table;
  const used = differing.length + same.length;
  const isComplete = simulated.isComplete;

  const post = useRef(new Set<string>());
  useEffect(() => {
    if (!isComplete || !mayEdit) return;
    for (const [key, screen] of keyed) {
      const { readings, problem } = simulated.readOf(key);
      if (problem !== '' || post.current.has(key)) continue;
      post.current.add(key);
      // What is kept here is for the figures alone; it is kept again the next time.
      request(`/consumer/${id}/screens/${screen.id}/readings`, 'POST', [...readings.values()]).catch(() =>
        post.current.delete(key),
      );
    }
  });

  const report = useMatch((state) => state.report);
  const differingScreens = screens.filter(
    (screen, at) =>
      simulated.readOf(keyOf(screen)).problem !== '' || differing.some(({ cells }) => cells[at]!.some((cell) => !cell.same)),
  ).length;
  // As a text, so that it is told again only when it says something else.
  const shows = JSON.stringify(
    read.map(({ screen, readings }) => [screen.name, readings.flatMap(({ seen }) => seen.flatMap(({ token }) => token ?? []))]),
  );
  useEffect(() => {
    const shown = JSON.parse(shows) as [string, string[]][];
    report(isComplete ? differingScreens : null, new Map(shown.map(([name, paths]) => [name, new Set(paths)])));
  }, [report, isComplete, differingScreens, shows]);

  return (
    <>
      <ViewHead
        title={
          !isComplete
            ? 'Reading the screens…'
            : differing.length === 0
              ? `All ${used} colours are identical on every screen`
              : `${same.length} of ${used} colours are identical on every screen`
        }
        about={`release ${number}, ${looked === ALL_THEMES ? `${brand.themes.length} themes` : theme.name}, read back from what each screen shows`}
      >
        <Course figures={figures} />
        <Choice label="Rows" plain options={[ALL, DIFFERENCES]} value={rows} onChoose={setRows} />
        <Choice label="Themes looked at" plain options={[ALL_THEMES, 'this theme']} value={looked} onChoose={setLooked} />
        <Button
          size="xs"
          variant="outline"
          disabled={!isComplete}
          onClick={() => download(`match-release-${number}.csv`, 'text/csv', new TextEncoder().encode(csvOf(table, screens)))}
        >
          CSV
        </Button>
        {isComplete && (
          <Button size="xs" variant="outline" asChild>
            <a href={`/consumer/${id}/match?as=pdf`} download>
              PDF
            </a>
          </Button>
        )}
        {mayEdit && <AddScreen release={release} />}
      </ViewHead>
      <div
        className={css.report}
        style={{ '--screens': screens.length } as React.CSSProperties}
        data-complete={isComplete}
        data-theme={wanted}
        data-testid="match"
      >
        <div className={css.screens}>
          <span />
          {screens.map((screen, at) => (
            <ScreenFigure
              key={screen.id}
              screen={screen}
              frameKey={keyOf(screen)}
              first={slug(brand.themes[0]!.name)}
              theme={wanted}
              release={release}
              reading={told[at]!.find((one) => one.theme === wanted) ?? told[at]![0] ?? null}
              problem={simulated.readOf(keyOf(screen)).problem}
              onFrame={simulated.hold}
              onRestart={() => setRestarts((known) => new Map(known).set(screen.id, (known.get(screen.id) ?? 0) + 1))}
            />
          ))}
        </div>
        <MatchTableView table={table} screens={screens} only={rows === DIFFERENCES} />
        {strays.length > 0 && (
          <section className={css.strays} aria-label="Colours that are no token’s">
            <h3>{strays.length === 1 ? 'One colour is no token’s' : `${strays.length} colours are no token’s`}</h3>
            <ul>
              {strays.map((stray) => (
                <li key={`${stray.screen.id} ${stray.theme} ${stray.found}`}>
                  <i style={{ background: stray.found }} />
                  <code>{stray.found}</code>
                  <span>
                    {stray.screen.name}, {stray.where}
                    {stray.state !== 'rest' && `, ${stray.state}`}
                    {stray.places > 1 && ` and ${stray.places - 1} more`}; {stray.theme}
                  </span>
                  <small>
                    {(stray.share * 100).toFixed(1)} % of it; nearest is {stray.nearest}, ΔE {stray.distance.toFixed(1)}
                  </small>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </>
  );
}
