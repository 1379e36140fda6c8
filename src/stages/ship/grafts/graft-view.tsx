import { Button, NativeSelect, Tabs } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import type { Binding, Graft } from '@/core/brand/document/graft-shape';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { download } from '@/ui/download';
import { useComputed } from '@/ui/asked/use-computed';
import { SOURCE_KIND_WORDS } from '@/core/source/scan';
import { bindFileText } from '@/core/graft/bind-file';
import { sureBindings, type Proposed } from '@/core/graft/sure-bindings';
import type { ShownBank } from '@/workers/graft.worker';
import { colourPatches, type LineMark } from '../colour-patches';
import { ReadOnlyCode } from '../read-only-code';
import { Difference } from '../since-release';
import { versionOf } from '../version-of';
import { boundSlots, nameOfTarget, type Bound } from './bound';
import { NewerHost } from './newer-host';
import { SlotList } from './slot-list';
import { useHost, type ReadyHost } from './use-host';
import css from './graft.module.css';
import ship from '../ship.module.css';

const ORDERS = ['rgba', 'argb', 'bgra', 'abgr'] as const;

/** An organisation's own file, in which only the colours are the brand's. */
export function GraftView({ graft, onRemoved }: { graft: Graft; onRemoved: () => void }) {
  const { run, themes } = useBrand((state) => ({ run: state.run, themes: state.brand.themes }));
  const mayEdit = useMayEdit();
  const { ready, sentence } = useHost(graft);
  const edit = (
    set: Partial<Pick<Graft, 'path' | 'theme'>> & { order?: Graft['order'] | null; asides?: true | null },
    label: string,
  ) => run({ label, steps: [{ do: 'graft.edit', id: graft.id, set }] });
  return (
    <section className={ship.view} aria-label={graft.path}>
      <div className={ship.heading}>
        <h2>
          <CommitInput
            look="plain"
            label="Path of the grafted file"
            value={graft.path}
            disabled={!mayEdit}
            onCommit={(path) => edit({ path }, `Write ${graft.host.name} as ${path}`)}
          />
        </h2>
        {ready && <NewerHost graft={graft} ready={ready} />}
        <Button
          size="2xs"
          variant="ghost"
          disabled={!mayEdit}
          onClick={() => {
            if (run({ label: `Stop grafting onto ${graft.path}`, steps: [{ do: 'graft.remove', id: graft.id }] })) onRemoved();
          }}
        >
          Remove
        </Button>
      </div>
      <div className={css.settings}>
        <label>
          Colours of
          <NativeSelect.Root size="xs" width="130px" disabled={!mayEdit}>
            <NativeSelect.Field
              aria-label="Theme whose colours the file has"
              value={graft.theme}
              onChange={({ target }) => edit({ theme: target.value }, `Set the theme of ${graft.path}`)}
            >
              {!themes.some(({ id }) => id === graft.theme) && <option value={graft.theme}>a theme that is gone</option>}
              {themes.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
        {ready && (
          <Orders
            graft={graft}
            ready={ready}
            disabled={!mayEdit}
            onOrder={(order) => edit({ order }, `Read the codes of ${graft.path} otherwise`)}
          />
        )}
        {ready && (ready.shown.spokenOf > 0 || graft.asides) && (
          <label className={css.grows}>
            <input
              type="checkbox"
              checked={graft.asides ?? false}
              disabled={!mayEdit}
              onChange={({ target }) => edit({ asides: target.checked ? true : null }, `Choose what slots ${graft.path} has`)}
            />
            also the {ready.shown.spokenOf} in comments and sentences
          </label>
        )}
      </div>
      {ready ? <Slots graft={graft} ready={ready} /> : <p className={ship.soft}>{sentence}</p>}
    </section>
  );
}

/** How the bytes of its codes were read, and why; switched by hand where that is wrong. */
function Orders({
  graft,
  ready,
  disabled,
  onOrder,
}: {
  graft: Graft;
  ready: ReadyHost;
  disabled: boolean;
  onOrder: (order: Graft['order'] | null) => void;
}) {
  const { slots, orders } = ready.shown;
  const long = slots.filter(({ text }) => /^(?:#[0-9a-f]{8}|(?:0x|&h)[0-9a-f]+|-?\d+)$/i.test(text));
  if (long.length === 0 && graft.order === undefined) return null;
  const { order, evidence } = long.some(({ text }) => text.startsWith('#')) ? orders.hash : orders.program;
  return (
    <label>
      Bytes of codes
      <NativeSelect.Root size="xs" width="190px" disabled={disabled}>
        <NativeSelect.Field
          aria-label="Order of bytes in codes"
          title={evidence}
          value={graft.order ?? ''}
          onChange={({ target }) => onOrder(target.value === '' ? null : (target.value as NonNullable<Graft['order']>))}
        >
          <option value="">{`${order.toUpperCase()}, as the file tells`}</option>
          {ORDERS.map((each) => (
            <option key={each} value={each}>
              {each.toUpperCase()}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <small>{evidence}</small>
    </label>
  );
}

function Slots({ graft, ready }: { graft: Graft; ready: ReadyHost }) {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const { open, shown } = ready;
  const [chosen, setChosen] = useState<number | null>(0);
  const [proposed, setProposed] = useState<Proposed | null>(null);
  useEffect(() => {
    let current = true;
    void open.propose(brand, graft.theme).then((found) => current && setProposed(found));
    return () => {
      current = false;
    };
  }, [open, brand, graft.theme]);
  const { value: written, current } = useComputed(`${graft.id} ${JSON.stringify(graft)} ${versionOf(brand)}`, () =>
    open.write(brand, graft),
  );
  const bound = useMemo(() => boundSlots(brand, graft, shown), [brand, graft, shown]);
  const sure = useMemo(
    () => (proposed ? sureBindings(shown, bound, proposed) : { slots: {}, banks: {} }),
    [shown, bound, proposed],
  );
  const sureCount = Object.keys(sure.slots).length + Object.keys(sure.banks).length;
  const bind = (at: number, to: Binding['to'] | null) => {
    const slot = shown.slots[at]!;
    const label = to ? `Bind ${slot.label} to ${nameOfTarget(brand, to)}` : `Unbind ${slot.label}`;
    run({ label, steps: [{ do: 'graft.bind', id: graft.id, set: { [slot.key]: to && { to, was: slot.hex } } }] });
  };
  const bindBank = (bank: ShownBank, set: Graft['banks'][string] | null) => {
    const name = set && brand.palettes.find(({ id }) => id === set.palette)?.name;
    // What its slots were bound to by themselves gives way to the palette.
    const own = set ? bank.slots.map((at) => shown.slots[at]!.key).filter((key) => key in graft.bindings) : [];
    run({
      label: name ? `Give a bank of ${graft.path} ${name}` : `Take a bank of ${graft.path} apart`,
      steps: [
        ...(own.length > 0
          ? [{ do: 'graft.bind' as const, id: graft.id, set: Object.fromEntries(own.map((key) => [key, null])) }]
          : []),
        { do: 'graft.bank', id: graft.id, set: { [bank.key]: set } },
      ],
    });
  };
  const bindSure = () =>
    run({
      label: `Bind ${sureCount} slots of ${graft.path}`,
      steps: [
        ...(Object.keys(sure.slots).length > 0 ? [{ do: 'graft.bind' as const, id: graft.id, set: sure.slots }] : []),
        ...(Object.keys(sure.banks).length > 0 ? [{ do: 'graft.bank' as const, id: graft.id, set: sure.banks }] : []),
      ],
    });
  const errors = written?.findings ?? [];
  return (
    <>
      {shown.problems.map(({ message }) => (
        <p key={message} className={ship.problem} data-severity="warning">
          <b>Note.</b> {message}
        </p>
      ))}
      {errors.slice(0, 3).map(({ message }) => (
        <p key={message} className={ship.problem} data-severity="error">
          <b>Stops the release.</b> {message}
        </p>
      ))}
      <div className={css.facts}>
        <span>
          {SOURCE_KIND_WORDS[shown.kind]}, {shown.lines.toLocaleString('en')} lines: <b>{bound.size}</b> of{' '}
          {shown.slots.length.toLocaleString('en')} slots bound
          {written?.bytes &&
            `, ${written.changes} ${written.changes === 1 ? 'literal' : 'literals'} change, all other bytes stay (SHA-256 ${written.untouched.slice(0, 8)})`}
        </span>
        {sureCount > 0 && mayEdit && (
          <Button size="2xs" onClick={bindSure}>
            Bind the {sureCount} that are sure
          </Button>
        )}
        <Button
          size="2xs"
          variant="outline"
          onClick={() =>
            download(`${graft.host.name}.bindings.json`, 'application/json', new TextEncoder().encode(bindFileText(brand, graft)))
          }
        >
          Bindings for builds
        </Button>
        <Button
          size="2xs"
          variant="outline"
          disabled={!written?.bytes || !current}
          onClick={() => written?.bytes && download(graft.path.split('/').at(-1)!, 'text/plain', written.bytes)}
        >
          Download
        </Button>
      </div>
      <Tabs.Root defaultValue="slots" variant="plain" size="sm" lazyMount unmountOnExit className={ship.file}>
        <Tabs.List className={ship.views} aria-label="Views of the graft">
          <Tabs.Trigger value="slots" className={ship.tab}>
            Slots
          </Tabs.Trigger>
          <Tabs.Trigger value="changes" className={ship.tab}>
            What changes
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="slots" className={css.work}>
          <SlotList
            graft={graft}
            host={shown}
            bound={bound}
            proposed={proposed}
            chosen={chosen}
            onChoose={setChosen}
            onBind={bind}
            onBank={bindBank}
          />
          <HostCode graft={graft} ready={ready} bound={bound} chosen={chosen} onChoose={setChosen} />
        </Tabs.Content>
        <Tabs.Content value="changes" className={ship.content}>
          <Changes graft={graft} before={shown.text} bytes={written?.bytes ?? null} />
        </Tabs.Content>
      </Tabs.Root>
    </>
  );
}

/** The host as it is, with a patch beside every slot: of the colour that it will have. */
function HostCode({
  graft,
  ready,
  bound,
  chosen,
  onChoose,
}: {
  graft: Graft;
  ready: ReadyHost;
  bound: ReadonlyMap<number, Bound>;
  chosen: number | null;
  onChoose: (at: number) => void;
}) {
  const { slots, text } = ready.shown;
  const patches = useMemo(() => {
    const marks = slots.map(({ line, from, to, hex }, at): LineMark & { at: number } => ({
      line,
      from,
      to,
      hex: bound.get(at)?.hex ?? hex,
      at,
    }));
    return colourPatches(marks, (mark) => onChoose((mark as LineMark & { at: number }).at));
  }, [slots, bound, onChoose]);
  return (
    <div className={ship.preview}>
      <ReadOnlyCode
        path={graft.host.name}
        text={text}
        label={`Contents of ${graft.host.name}`}
        more={patches}
        line={chosen === null ? null : slots[chosen]!.line}
      />
    </div>
  );
}

function Changes({ graft, before, bytes }: { graft: Graft; before: string; bytes: Uint8Array | null }) {
  const after = useMemo(() => {
    const wide = bytes?.[0] === 0xff ? 'utf-16le' : bytes?.[0] === 0xfe ? 'utf-16be' : 'utf-8';
    return bytes && new TextDecoder(wide).decode(bytes);
  }, [bytes]);
  if (after === null) return <p className={ship.soft}>Nothing is written as long as something above stops it.</p>;
  if (after === before)
    return <p className={ship.soft}>Byte for byte the host: nothing is bound yet, or every slot has its colour already.</p>;
  // Shown anew when it is another: what was folded away in the old one would not be in the new one.
  return <Difference key={versionOf(bytes!)} path={graft.path} before={before} after={after} />;
}
