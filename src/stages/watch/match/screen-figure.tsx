import { Button, CloseButton, Dialog, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Reading, Screen } from '@/core/screens/screen';
import { ago } from '@/ui/ago';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import type { Released } from '@/ui/store/brand-state';
import { HiddenFile } from '@/ui/hidden-file';
import { tell } from '@/ui/notices';
import { useScreenAct } from '@/ui/asked/screens';
import { HandEdit } from './hand-edit';
import { handIn } from './hand-in';
import { HowRead } from './how-read';
import { RenameScreen } from './rename-screen';
import css from './match.module.css';

/** Releases that a screen can be held at, told in its menu: the latest ones. */
const MOST_RELEASES = 5;

interface ScreenFigureProps {
  readonly screen: Screen;
  /** Another whenever a simulated screen is to begin anew. */
  readonly frameKey: string;
  /** Identifiers of the theme that it begins with, and of the one of the page. */
  readonly first: string;
  readonly theme: string;
  readonly release: Released;
  readonly reading: Reading | null;
  readonly problem: string;
  readonly onFrame: (key: string, frame: HTMLIFrameElement | null) => void;
  readonly onRestart: () => void;
}

/** A screen as it is just now, with what can be done to it. */
export function ScreenFigure({
  screen,
  frameKey,
  first,
  theme,
  release,
  reading,
  problem,
  onFrame,
  onRestart,
}: ScreenFigureProps) {
  const brand = useBrand((state) => state.id);
  const mayEdit = useMayEdit();
  const [isLarge, setLarge] = useState(false);
  const { name, kind } = screen;
  const latest = release.number;
  const address =
    kind.is === 'simulated'
      ? `/screens/${kind.program}/index.html?files=${encodeURIComponent(`/screens/of/${brand}/${screen.id}/`)}&theme=`
      : '';
  const runs = reading?.release ?? screen.held ?? screen.fetched ?? latest;
  return (
    <figure data-screen-figure={screen.id}>
      {kind.is === 'simulated' ? (
        <div className={css.screen}>
          <iframe key={frameKey} ref={(frame) => onFrame(frameKey, frame)} src={address + first} title={name} tabIndex={-1} />
          <button onClick={() => setLarge(true)} aria-label={`See ${name} large`} />
        </div>
      ) : (
        <div className={css.screen}>
          {kind.is === 'picture' ? (
            // eslint-disable-next-line @next/next/no-img-element -- shown as it was handed in
            <img src={`/api/brands/${brand}/pictures/${kind.picture}`} alt="" />
          ) : (
            <p>
              {kind.is === 'page' ? (
                <a href={kind.address} target="_blank" rel="noreferrer">
                  {kind.address.replace(/^https?:\/\//, '')}
                </a>
              ) : (
                'A build that takes the released files'
              )}
            </p>
          )}
          {kind.is === 'page' && <HowRead screen={screen} address={kind.address} />}
        </div>
      )}
      <figcaption>
        <span>
          <b>{name}</b>
          <small>{problem || standing(screen, runs, latest)}</small>
        </span>
        {mayEdit && <ScreenMenu screen={screen} release={release} onRestart={onRestart} />}
      </figcaption>
      {isLarge && (
        <Dialog.Root open onOpenChange={(change) => !change.open && setLarge(false)} size="full">
          <Portal>
            <Dialog.Positioner>
              <Dialog.Content className={css.large}>
                <Dialog.Header>
                  <Dialog.Title>{name}</Dialog.Title>
                  <small>{standing(screen, runs, latest)}</small>
                </Dialog.Header>
                <iframe key={theme} src={address + theme} title={`${name}, large`} />
                <Dialog.CloseTrigger asChild>
                  <CloseButton size="sm" />
                </Dialog.CloseTrigger>
              </Dialog.Content>
            </Dialog.Positioner>
          </Portal>
        </Dialog.Root>
      )}
    </figure>
  );
}

function standing({ kind, held, edited, fetched, readAt }: Screen, runs: number, latest: number): string {
  if (kind.is === 'build') {
    if (fetched === null) return 'has fetched nothing yet';
    return fetched < latest ? `fetched release ${fetched}, and is behind` : `fetched release ${fetched}`;
  }
  if (kind.is !== 'simulated') return readAt === null ? 'not read yet' : `read ${ago(readAt)}, release ${runs}`;
  const words = [held === null ? `release ${runs}` : `held at release ${held}`];
  if (edited.length > 0) words.push('edited by hand');
  return words.join(', ');
}

function ScreenMenu({ screen, release, onRestart }: { screen: Screen; release: Released; onRestart: () => void }) {
  const brand = useBrand((state) => state.id);
  const act = useScreenAct();
  const input = useRef<HTMLInputElement>(null);
  const latest = release.number;
  const [isEditing, setEditing] = useState(false);
  const [isNaming, setNaming] = useState(false);
  const { id, name, kind, held } = screen;
  const renew = async (file: File) => {
    try {
      await handIn(file, { brand, id, release }, (picture) => act(`/${id}`, 'PATCH', { picture }));
    } catch (error) {
      tell((error as Error).message);
    }
  };
  const hold = (release: number | null) => () => void act(`/${id}`, 'PATCH', { held: release });
  const releases = Array.from({ length: Math.min(MOST_RELEASES, latest) }, (_, at) => latest - at);
  return (
    <>
      <Menu.Root positioning={{ placement: 'bottom-end' }}>
        <Menu.Trigger asChild>
          <Button size="2xs" variant="outline" aria-label={`What to do with ${name}`}>
            Do <ChevronDown size={12} />
          </Button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              {kind.is === 'simulated' && (
                <>
                  {held !== null && (
                    <Menu.Item value="follow" onSelect={hold(null)}>
                      Follow the latest release
                    </Menu.Item>
                  )}
                  {releases
                    .filter((release) => release !== held)
                    .map((release) => (
                      <Menu.Item key={release} value={`hold-${release}`} onSelect={hold(release)}>
                        Hold at release {release}
                      </Menu.Item>
                    ))}
                  <Menu.Separator />
                  <Menu.Item value="edit" onSelect={() => setEditing(true)}>
                    Edit its files by hand…
                  </Menu.Item>
                  <Menu.Item value="restart" onSelect={onRestart}>
                    Restart it
                  </Menu.Item>
                </>
              )}
              {kind.is === 'picture' && (
                <Menu.Item value="renew" onSelect={() => input.current!.click()}>
                  A newer picture…
                </Menu.Item>
              )}
              <Menu.Item value="name" onSelect={() => setNaming(true)}>
                {kind.is === 'page' ? 'Name and address…' : 'Name…'}
              </Menu.Item>
              <Menu.Item value="remove" onSelect={() => void act(`/${id}`, 'DELETE')}>
                Take it away
              </Menu.Item>
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      <HiddenFile ref={input} label={`A newer picture of ${name}`} accept="image/*" onFile={(file) => void renew(file)} />
      {isEditing && <HandEdit screen={screen} onClose={() => setEditing(false)} />}
      {isNaming && <RenameScreen screen={screen} onClose={() => setNaming(false)} />}
    </>
  );
}
