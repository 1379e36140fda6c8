/**
 * What a site includes in its staging so that its page tells by itself which colours it shows:
 *
 *     <script type="module" src="https://HOST/reader.js" data-brand="BRAND" data-screen="SCREEN" data-token="TOKEN"></script>
 *
 * It looks when the page has come to rest, again at every change of theme, and at controls while somebody points at them, presses or focuses
 * them; it tells what is new every few seconds at most. The token stands in the page: give it one that only reports.
 */
import { walk, type Sight } from './walk';

type State = 'rest' | 'hover' | 'focus' | 'pressed';

const REST_MS = 1_500;
const TELL_MS = 5_000;
const MOST = 1_000;

const tag = document.querySelector<HTMLScriptElement>('script[data-brand][data-screen]');
if (tag) {
  const { brand, screen, token, themeAttribute = 'data-theme', theme: only } = tag.dataset;
  const themeNow = () => only ?? document.documentElement.getAttribute(themeAttribute) ?? 'day';
  const themes = new Map<string, Map<string, Sight & { state: State }>>();
  let later: ReturnType<typeof setTimeout> | undefined;
  const tell = async () => {
    later = undefined;
    const readings = [...themes].map(([theme, seen]) => ({ theme, seen: [...seen.values()].slice(0, MOST) }));
    const answer = await fetch(new URL(`/consumer/${brand}/screens/${screen}/readings`, tag.src), {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify(readings),
    });
    if (!answer.ok) console.warn('What this page shows could not be told:', await answer.text());
  };
  const look = (state: State, within?: Element) => {
    const theme = themeNow();
    const seen = themes.get(theme) ?? new Map<string, Sight & { state: State }>();
    themes.set(theme, seen);
    const before = seen.size;
    for (const sight of walk(within).seen) {
      const rest = `${sight.colour} ${sight.where} rest`;
      if (!seen.has(rest)) seen.set(state === 'rest' ? rest : `${sight.colour} ${sight.where} ${state}`, { ...sight, state });
    }
    if (seen.size > before) later ??= setTimeout(() => void tell().catch(console.warn), TELL_MS);
  };
  let resting: ReturnType<typeof setTimeout> | undefined;
  const lookAtRest = () => {
    clearTimeout(resting);
    resting = setTimeout(() => look('rest'), REST_MS);
  };
  const at = (kind: string, state: State, still: string) =>
    addEventListener(kind, ({ target }) => {
      const control =
        target instanceof Element && target.closest('a[href], button, input, select, textarea, summary, [tabindex], [role]');
      if (!control) return;
      requestAnimationFrame(() => {
        // A change of colour that takes time is waited for, or it would be read half-way.
        const changes = control.getAnimations({ subtree: true }).map(({ finished }) => finished);
        void Promise.allSettled(changes).then(() => control.matches(still) && look(state, control));
      });
    });
  new MutationObserver(lookAtRest).observe(document.documentElement, { attributes: true });
  at('pointerover', 'hover', ':hover');
  at('pointerdown', 'pressed', ':active');
  at('focusin', 'focus', ':focus');
  if (document.readyState === 'complete') lookAtRest();
  else addEventListener('load', lookAtRest);
}
