import { useEffect, useState } from 'react';

/** How often a page is asked for again while the server has too much to draw, and how much longer it waits each time. */
const TRIES = 8;
const WAIT_MS = 600;

/** A page of the sheet as the server draws it, once it comes into sight. */
export function SheetPage({ address, title }: { address: string; title: string }) {
  const [failed, setFailed] = useState(0);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (failed === 0 || failed > TRIES) return;
    const timer = setTimeout(() => setTries(failed), WAIT_MS * failed);
    return () => clearTimeout(timer);
  }, [failed]);
  if (failed > TRIES) return <p>This page could not be drawn; the server has too much to do. Try again in a moment.</p>;
  return (
    // eslint-disable-next-line @next/next/no-img-element -- a drawing of this server, which cannot be made smaller
    <img src={`${address}&try=${tries}`} alt={title} loading="lazy" onError={() => setFailed(tries + 1)} />
  );
}
