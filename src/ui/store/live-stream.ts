/** What a stream tells a page, by the kind of news; each is given as it was sent, parsed. */
export type Listeners = Readonly<
  Record<
    'build' | 'change' | 'release' | 'signOff' | 'here' | 'caught' | 'writing' | 'screens' | 'part' | 'refused',
    (news: unknown) => void
  >
>;

interface StreamOptions {
  /** Where to listen, from what the page knows on; asked again whenever the stream is opened anew. */
  readonly address: () => string;
  readonly on: Listeners;
  readonly onConnected: (connected: boolean) => void;
  /** The server answered with an error: it may be that somebody is not to listen any more. */
  readonly onTurnedAway: () => void;
}

/** A live connection to the server, opened anew for as long as the page is there. */
export interface LiveStream {
  /** Asks again at once, such as when something was missed. */
  readonly again: () => void;
  /** Listens no more, and asks again after a while. */
  readonly pause: () => void;
  readonly close: () => void;
}

/** When a page that may not listen asks again, in milliseconds. */
const REFUSED_MS = 60_000;
/** When a stream that the server answered with an error is opened again, in milliseconds. */
const FAILED_MS = 2_000;

export function openLiveStream({ address, on, onConnected, onTurnedAway }: StreamOptions): LiveStream {
  let later: ReturnType<typeof setTimeout> | undefined;
  let source: EventSource;
  const open = () => {
    const stream = new EventSource(address());
    source = stream;
    stream.addEventListener('open', () => onConnected(true));
    for (const [kind, listener] of Object.entries(on))
      stream.addEventListener(kind, (event: MessageEvent<string>) => listener(JSON.parse(event.data)));
    stream.addEventListener('error', () => {
      onConnected(false);
      // The browser tries again by itself, but gives up when the server answers with an error.
      if (stream.readyState !== EventSource.CLOSED) return;
      later = setTimeout(open, FAILED_MS);
      onTurnedAway();
    });
  };
  const stop = () => {
    source.close();
    clearTimeout(later);
  };
  const again = () => {
    stop();
    open();
  };
  // The browser knows at once that the network comes or goes, and a stream only after minutes. A server on this machine is
  // reached all the same, so it is asked.
  const listenAnew = () => {
    onConnected(false);
    again();
  };
  window.addEventListener('offline', listenAnew);
  window.addEventListener('online', listenAnew);
  open();
  return {
    again,
    pause: () => {
      stop();
      later = setTimeout(open, REFUSED_MS);
    },
    close: () => {
      window.removeEventListener('offline', listenAnew);
      window.removeEventListener('online', listenAnew);
      stop();
    },
  };
}
