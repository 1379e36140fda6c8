'use client';

import { Button, CloseButton, Dialog, Input, Portal, Textarea } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { compareBrands } from '@/core/brand/history/compare';
import { may } from '@/core/brand/roles';
import { textPairs } from '@/core/findings/contrast';
import type { Bundle } from '@/core/release/bundle';
import { wantedBy, type ReleaseRule } from '@/core/release/sign-off';
import { nextVersion, proposedStep, VERSION_STEPS, type VersionStep } from '@/core/release/version';
import { useBrand } from '../store/brand-context';
import { waitingCount, type Released } from '../store/brand-state';
import { storedFiles } from '../asked/kept-files';
import { tell } from '../notices';
import { useFindingsSince } from '../asked/findings';
import { useReleases } from '../asked/releases';
import { request } from '../asked/request';
import { useSignOffs, useVerdicts } from '../asked/sign-offs';
import { useGoTo } from '../stage-link';
import { ChangeList } from '../changes/change-list';
import changes from '../changes/changes.module.css';
import { Choice } from '../dial';
import { FilesSince, FindingsSince } from './release-since';
import css from './release-dialog.module.css';

/** Why new errors keep a release from being made, where the brand's rule says so; also while they are looked for. */
function errorsThatStop(rule: ReleaseRule, release: Released | null, { data, isError }: ReturnType<typeof useFindingsSince>) {
  if (rule.newErrors !== 'stop' || !release) return null;
  if (isError) return 'Whether there are new errors, which stop a release of this brand, cannot be told just now.';
  if (!data) return 'Looking for new errors, which stop a release of this brand…';
  const errors = data.came.filter(({ severity }) => severity === 'error').length;
  if (errors === 0) return null;
  return `${errors === 1 ? 'One error is' : `${errors} errors are`} new since release ${release.number}, and the rule of this brand wants none.`;
}

/** Makes a release: what it would bring out, what stands in its way, and the button. */
export function ReleaseDialog() {
  const { replica, theme, release, id, waiting, role, writing } = useBrand((state) => ({
    replica: state.replica,
    theme: state.theme,
    release: state.release,
    id: state.id,
    waiting: waitingCount(state),
    role: state.role,
    writing: state.writing,
  }));
  const { brand, seq } = replica;
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState('');
  const [note, setNote] = useState('');
  const [chosen, setStep] = useState<VersionStep | null>(null);
  const [busy, setBusy] = useState(false);
  const [trial, setTrial] = useState<Bundle | null>(null);
  const goTo = useGoTo();
  const differences = useMemo(() => (open ? compareBrands(release?.document ?? null, brand) : []), [open, release, brand]);
  useEffect(() => {
    if (!open) return;
    let current = true;
    const write = async () => {
      const [{ bundle }, hosts] = await Promise.all([import('@/core/release/bundle'), storedFiles(brand)]);
      const written = await bundle(brand, hosts);
      if (current) setTrial(written);
    };
    write().catch((error: unknown) => tell(`The files could not be written here: ${(error as Error).message}`));
    return () => {
      current = false;
    };
  }, [open, brand]);
  /** The files of the last release, to tell which are another now. */
  const last = useReleases(open && release !== null).data?.[0];
  const failing = useMemo(() => (open ? textPairs(brand).filter(({ passes }) => !passes).length : 0), [open, brand]);
  const errors = trial?.findings.filter(({ severity }) => severity === 'error') ?? [];
  const notes = trial?.findings.filter(({ severity }) => severity === 'warning') ?? [];
  const { rule, open: signOff } = useSignOffs();
  const { approvals } = useVerdicts(open ? signOff : null);
  const since = useFindingsSince(open ? release : null);
  const refusal = may(role, 'release')
    ? (wantedBy(rule, role, signOff, approvals) ?? errorsThatStop(rule, release, since))
    : 'Releases are made by owners and editors.';
  const number = (release?.number ?? 0) + 1;
  const proposed = proposedStep(differences);
  const step = chosen ?? proposed.step;
  const make = async () => {
    setBusy(true);
    try {
      await request(`/api/brands/${id}/releases`, 'POST', { seq, title, note, step });
      setOpen(false);
      setTitle('');
      setNote('');
      setStep(null);
      tell(`Release ${number} is made. The screens in Watch read it now.`);
      goTo('watch');
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached; nothing was released. Try again in a moment.'
          : (error as Error).message,
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <Dialog.Root open={open} onOpenChange={(change) => setOpen(change.open)} size="lg" placement="center">
      <Dialog.Trigger asChild>
        <Button size="sm">Release…</Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>Release {number}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body className={css.body}>
              <label className={css.note}>
                Title
                <Input
                  size="sm"
                  value={title}
                  maxLength={120}
                  onChange={(event) => setTitle(event.target.value)}
                  placeholder={`Release ${number}`}
                />
              </label>
              <section>
                <h3>Version {nextVersion(last?.version ?? null, step)}</h3>
                {release ? (
                  <>
                    <Choice label="How far the version goes" plain options={VERSION_STEPS} value={step} onChoose={setStep} />
                    <p className={css.why}>
                      {proposed.step} is proposed: {proposed.why}.
                    </p>
                  </>
                ) : (
                  <p className={css.why}>The first. What breaks those who use it takes the next to 2.0.0.</p>
                )}
              </section>
              <section>
                <h3>
                  {differences.length === 0
                    ? 'Nothing has changed since the last release'
                    : differences.length === 1
                      ? 'One change comes out with it'
                      : `${differences.length} changes come out with it`}
                </h3>
                <ChangeList before={release?.document ?? null} after={brand} theme={theme} differences={differences} />
              </section>
              <section>
                <h3>{trial ? `${trial.files.length} files` : 'Writing the files…'}</h3>
                <ul className={changes.list} aria-label="Files" tabIndex={0}>
                  {failing > 0 && (
                    <li>
                      <b>
                        {failing} {failing === 1 ? 'pair' : 'pairs'} cannot be read
                      </b>
                      <button
                        onClick={() => {
                          setOpen(false);
                          goTo('prove');
                        }}
                      >
                        See them in Prove
                      </button>
                    </li>
                  )}
                  {errors.map((problem) => (
                    <li key={problem.message} data-error>
                      <b>Stops the release:</b> {problem.message}
                    </li>
                  ))}
                  {notes.map((problem) => (
                    <li key={problem.message}>
                      <b>Note</b> {problem.message}
                    </li>
                  ))}
                  {trial && <FilesSince trial={trial} before={last?.manifest ?? []} release={release} />}
                </ul>
              </section>
              {release && (
                <section>
                  <h3>What is found, since release {release.number}</h3>
                  <FindingsSince since={since} />
                </section>
              )}
              <label className={css.note}>
                What is it for?
                <Textarea
                  size="sm"
                  value={note}
                  maxLength={2000}
                  onChange={(event) => setNote(event.target.value)}
                  placeholder="For the people who will receive it"
                />
              </label>
            </Dialog.Body>
            <Dialog.Footer>
              {refusal && <p>{refusal}</p>}
              {!refusal && approvals.length > 0 && <p>Signed by {approvals.map(({ by }) => by).join(', ')}.</p>}
              {writing && (
                <p>
                  {busy ? 'The files are' : `${writing.by} is making a release; its files are`} {Math.round(writing.share * 100)}{' '}
                  % written.
                </p>
              )}
              {waiting > 0 && <p>{waiting} changes are not on the server yet.</p>}
              <Button
                disabled={!trial || errors.length > 0 || waiting > 0 || busy || refusal !== null}
                loading={busy}
                onClick={() => void make()}
              >
                Make release {number}
              </Button>
            </Dialog.Footer>
            <Dialog.CloseTrigger asChild>
              <CloseButton size="sm" />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
