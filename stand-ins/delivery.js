/**
 * How a simulated screen gets what was released: over HTTP, like any consumer. It knows nothing of Breakwater but the
 * address. Each screen parses the files itself, draws, and says where on the page each token is to be seen, so that a
 * reader can go there and look; it never says which colour that is.
 */
const query = new URLSearchParams(location.search);
const base = `/deliver/${encodeURIComponent(query.get('brand'))}/${encodeURIComponent(query.get('release') ?? 'latest')}/`;

/** The release's manifest: the brand, its themes, its files. */
export async function manifest() {
  return (await get('manifest.json')).json();
}

/** One released file. */
export async function get(path) {
  const response = await fetch(base + path);
  if (!response.ok) throw new Error(`${path} could not be fetched (${response.status})`);
  return response;
}

/** The address of a released file, for a link element. */
export function address(path) {
  return base + path;
}

/**
 * Draws in the theme asked for, and again at every change of theme. `draw` answers with the places where tokens are to
 * be seen: `{ token, element, property }`, or `{ token, canvas, x, y }` in the canvas's own pixels.
 */
export async function show(prepare, draw) {
  try {
    const prepared = await prepare();
    const drawTheme = async (theme) => {
      window.shown = await draw(prepared, theme);
      document.documentElement.dataset.theme = theme;
      parent.postMessage({ drawn: theme, screen: location.pathname }, location.origin);
    };
    addEventListener('message', (event) => {
      if (event.origin === location.origin && typeof event.data?.theme === 'string') drawTheme(event.data.theme).catch(fail);
    });
    await drawTheme(query.get('theme') ?? 'day');
  } catch (error) {
    fail(error);
  }
}

function fail(error) {
  console.warn(error);
  parent.postMessage({ failed: String(error.message ?? error), screen: location.pathname }, location.origin);
}
