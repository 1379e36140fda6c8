/**
 * How a simulated screen gets what was released: over HTTP, like any consumer. It knows nothing of Breakwater but the
 * address of its files. Each screen parses them itself, draws, and says where on the page each token is to be seen, so
 * that a reader can go there and look; it never says which colour that is.
 */
const query = new URLSearchParams(location.search);
const base = query.get('files') ?? '';

/** Number of the release that its files are of, as they say when they are fetched. */
let release = 0;

/** The release's manifest: the brand, its themes, its files. */
export async function manifest() {
  return (await get('manifest.json')).json();
}

/** One released file. */
export async function get(path) {
  const response = await fetch(address(path));
  if (!response.ok) throw new Error(`${path} could not be fetched (${response.status})`);
  release = Number(response.headers.get('x-breakwater-release'));
  return response;
}

/** The address of a released file, for a link element. */
export function address(path) {
  if (!base.startsWith('/screens/of/')) throw new Error('this screen was not told where its files are');
  return base + path;
}

let drawTheme = () => Promise.resolve();

/**
 * Draws in the theme asked for, and again at every change of theme. `draw` is told the theme and the number of the release, which each screen
 * shows somewhere of its own, and answers with the places where tokens are to be seen: `{ token, element, property }`, or
 * `{ token, canvas, x, y }` in the canvas's own pixels.
 */
export async function show(prepare, draw) {
  try {
    const prepared = await prepare();
    drawTheme = async (theme) => {
      window.shown = await draw(prepared, theme, release);
      document.documentElement.dataset.theme = theme;
      document.title = `${document.title.split(',')[0]}, release ${release}`;
      parent.postMessage({ drawn: theme, release }, location.origin);
    };
    addEventListener('message', (event) => {
      if (event.origin === location.origin && typeof event.data?.theme === 'string') choose(event.data.theme);
    });
    await drawTheme(query.get('theme') ?? 'day');
  } catch (error) {
    fail(error);
  }
}

/** Draws in another theme, as somebody chose it in the screen itself. */
export function choose(theme) {
  drawTheme(theme).catch(fail);
}

/** The first file of a format with an ending in each theme, by the theme's identifier. */
export async function perTheme(format, ending) {
  const { files, themes } = await manifest();
  const own = files.filter((file) => file.format === format).map((file) => file.path);
  return themes.flatMap(({ identifier, name }) => {
    const path = own.find((one) => one.endsWith(`-${identifier}${ending}`));
    return path ? [{ identifier, name, path }] : [];
  });
}

function fail(error) {
  console.warn(error);
  parent.postMessage({ failed: String(error.message ?? error) }, location.origin);
}
