import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { pageAddress, SCREEN_LIMITS, type ScreenKind } from '@/core/screens/screen';
import { useBrand } from '@/ui/store/brand-context';
import type { Released } from '@/ui/store/brand-state';
import { Choice } from '@/ui/dial';
import { FormDialog } from '@/ui/form-dialog';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';
import { StageLink } from '@/ui/stage-link';
import { useScreenAct } from '@/ui/asked/screens';
import { handIn } from './hand-in';
import css from './match.module.css';
import PROGRAMS from '../../../../stand-ins/programs.json';

/** One of the simulated screens. */
type Program = keyof typeof PROGRAMS;

const KINDS = ['page', 'build', 'picture', 'simulated'] as const;
type Kind = (typeof KINDS)[number];

const ABOUT: Record<Kind, string> = {
  page: 'A site or an application in a browser, read back by the command.',
  build: 'Something that fetches the released files with a token; it is known by what it fetched last.',
  picture: 'A screenshot of what cannot be reached otherwise; the colours that cover a thousandth of it and more are read.',
  simulated:
    'A small program of Breakwater’s that reads your released files, to see a brand at work before the real screens have it.',
};

/** Asks what a new screen is, and adds it. */
export function AddScreen({ release }: { release: Released }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button size="xs" onClick={() => setOpen(true)}>
        Add a screen…
      </Button>
      {isOpen && <AddDialog release={release} onClose={() => setOpen(false)} />}
    </>
  );
}

function AddDialog({ release, onClose }: { release: Released; onClose: () => void }) {
  const brand = useBrand((state) => state.id);
  const act = useScreenAct();
  const [kind, setKind] = useState<Kind>('page');
  const [called, setName] = useState('');
  const [address, setAddress] = useState('');
  const [program, setProgram] = useState<Program>('dashboard');
  const [chosen, setToken] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [busy, setBusy] = useState(false);
  const { data: tokens } = useQuery({
    queryKey: ['build tokens', brand],
    queryFn: async () => (await request<{ tokens: { id: string; name: string }[] }>(`/api/brands/${brand}/build-tokens`)).tokens,
  });
  const token = chosen || tokens?.[0]?.id || '';
  const proposed =
    kind === 'picture'
      ? (file?.name.replace(/\.\w+$/, '') ?? '')
      : kind === 'simulated'
        ? PROGRAMS[program]
        : kind === 'build'
          ? (tokens?.find(({ id }) => id === token)?.name ?? '')
          : hostOf(address);
  const name = called.trim() || proposed;
  const problem = kind === 'page' && address !== '' ? pageAddress.safeParse(address).error?.issues[0]!.message : undefined;
  const wanted: Record<Exclude<Kind, 'picture'>, ScreenKind | null> = {
    page: address === '' || problem ? null : { is: 'page', address },
    build: token === '' ? null : { is: 'build', token },
    simulated: { is: 'simulated', program },
  };
  const isReady = kind === 'picture' ? file !== null : wanted[kind] !== null;
  const id = useState(newId)[0];
  const put = (is: ScreenKind) => act('', 'POST', { id, name, kind: is });
  const add = async () => {
    setBusy(true);
    try {
      const isDone =
        kind === 'picture'
          ? await handIn(file!, { brand, id, release }, (picture) => put({ is: 'picture', picture }))
          : await put(wanted[kind]!);
      if (isDone) onClose();
    } catch (error) {
      tell((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <FormDialog
      title="Add a screen"
      act="Add it"
      disabled={!isReady || name === ''}
      loading={busy}
      body={css.form}
      onAct={() => void add()}
      onClose={onClose}
    >
      <Choice label="What it is" plain options={KINDS} value={kind} onChoose={setKind} />
      <p>{ABOUT[kind]}</p>
      {kind === 'page' && (
        <label>
          Address
          <Input
            size="sm"
            autoFocus
            value={address}
            maxLength={SCREEN_LIMITS.address}
            placeholder="https://staging.example"
            onChange={(event) => setAddress(event.target.value)}
          />
          {problem && <small role="alert">{problem}</small>}
        </label>
      )}
      {kind === 'build' &&
        (tokens?.length === 0 ? (
          <p>
            There is no token yet; make one under <StageLink stage="ship">Ship</StageLink>, For builds.
          </p>
        ) : (
          <label>
            Its token
            <Select value={token} options={(tokens ?? []).map((one) => [one.id, one.name])} onChoose={setToken} />
          </label>
        ))}
      {kind === 'picture' && (
        <label>
          Screenshot
          <input type="file" accept="image/*" onChange={(event) => setFile(event.target.files?.[0] ?? null)} />
        </label>
      )}
      {kind === 'simulated' && (
        <label>
          Program
          <Select value={program} options={Object.entries(PROGRAMS)} onChoose={(one) => setProgram(one as Program)} />
        </label>
      )}
      <label>
        Name
        <Input
          size="sm"
          value={called}
          maxLength={LIMITS.name}
          placeholder={proposed}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
    </FormDialog>
  );
}

function hostOf(address: string): string {
  return URL.canParse(address) ? new URL(address).host : '';
}

interface SelectProps {
  readonly value: string;
  readonly options: readonly (readonly [value: string, label: string])[];
  readonly onChoose: (value: string) => void;
}

function Select({ value, options, onChoose }: SelectProps) {
  return (
    <NativeSelect.Root size="sm">
      <NativeSelect.Field value={value} onChange={(event) => onChoose(event.target.value)}>
        {options.map(([id, label]) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
