/**
 * What a browser fetches before a brand's page is shown: its scripts up to the load event, as they come over the wire.
 * What the page fetches afterwards, when it rests, does not count. Prints the lines that stand in docs/performance.md.
 */
import { readFileSync } from 'node:fs';
import { onPage } from './bench-page';

await onPage(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')), async (page) => {
  const session = await page.createCDPSession();
  await session.send('Network.enable');
  await session.send('Network.setCacheDisabled', { cacheDisabled: true });
  const scripts = new Map<string, number>();
  const asked = new Set<string>();
  let loaded = false;
  session.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script' && !loaded) asked.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (asked.has(requestId)) scripts.set(requestId, encodedDataLength);
  });
  const path = new URL(page.url()).pathname.replace(/[^/]*$/, '');
  for (const stage of ['mix', 'ship']) {
    scripts.clear();
    asked.clear();
    loaded = false;
    await page.goto(`${new URL(page.url()).origin}${path}${stage}`, { waitUntil: 'load' });
    loaded = true;
    await page.waitForSelector('[data-testid=kept]');
    const bytes = [...scripts.values()].reduce((sum, script) => sum + script, 0);
    process.stdout.write(`First load of ${stage}: ${Math.round(bytes / 1024)} KB in ${scripts.size} scripts.\n`);
  }
});
