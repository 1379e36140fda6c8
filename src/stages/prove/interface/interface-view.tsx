import { useMemo, useState, type SyntheticEvent } from 'react';
import { componentTokens } from '@/core/brand/reading/component-tokens';
import { tintGroups, tintsOf, type Tints } from '@/core/brand/tools/tint-tokens';
import { useBrand } from '@/ui/store/brand-context';
import { Empty } from '@/ui/empty';
import { Sheet } from '@/ui/interface/sheet';
import { TintPanel } from './tint-panel';
import { UnderPointer, underOf, type Under } from './told';
import css from './interface.module.css';

/** What a row is tinted with to begin with: a hint. */
const HINT = 0.15;

/** The theme in view as an interface that can be used, and how strongly the rows of its lists are tinted. */
export function InterfaceView() {
  const { brand, theme } = useBrand((state) => ({ brand: state.brand, theme: state.theme }));
  const [chosen, setChosen] = useState(0);
  const [draft, setDraft] = useState<Tints | null>(null);
  const [under, setUnder] = useState<Under | null>(null);
  const groups = useMemo(() => tintGroups(brand), [brand]);
  const group = groups[chosen] ?? groups[0];
  const tokens = componentTokens(brand);
  const surface = tokens.panel ?? tokens.page;
  if (!surface)
    return (
      <Empty title="No interface yet">
        An interface needs tokens for its surfaces and texts. In Name, a scaffold fills them from your palettes.
      </Empty>
    );
  const kept = group ? tintsOf(brand, group) : null;
  const tints = draft ?? kept ?? { strength: HINT, tinted: 'headers', surface: surface.id };
  const look = (event: SyntheticEvent) => setUnder(underOf(event.target as Element));
  const missing = MISSING.flatMap(([key, words]) => (tokens[key] === undefined ? [words] : []));
  return (
    <div className={css.interface}>
      {/* What is under the pointer or has the keyboard is only told here; the parts themselves are what is used. */}
      <div
        className={css.sample}
        onPointerOver={look}
        onPointerDown={look}
        onPointerUp={look}
        onFocus={look}
        onKeyDown={look}
        onKeyUp={look}
        onPointerLeave={() => setUnder(null)}
      >
        <Sheet brand={brand} theme={theme} group={group} tints={tints} />
      </div>
      {group && (
        <TintPanel
          groups={groups}
          group={group}
          onGroup={(place) => {
            setChosen(place);
            setDraft(null);
          }}
          kept={kept}
          tints={tints}
          onTints={setDraft}
        />
      )}
      <p className={css.under} role="status">
        {under ? (
          <UnderPointer brand={brand} theme={theme} under={under} tints={tints} />
        ) : missing.length > 0 ? (
          `Not named yet, so shown plain: ${missing.join(', ')}.`
        ) : (
          'Point at a part, or go to it by Tab, to read its tokens.'
        )}
      </p>
    </div>
  );
}

const MISSING = [
  ['header', 'a header'],
  ['border', 'a border'],
  ['focus', 'a border of the focus'],
  ['field', 'a field with states'],
  ['tab', 'a tab with states'],
  ['row', 'a row with states'],
  ['link', 'a link'],
] as const;
