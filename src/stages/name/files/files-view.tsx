import type { SourceFile } from '@/core/intake/reader';
import { Button, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { compareTokens, type MappedContext } from '@/core/intake/tokens/compare-tokens';
import { newId } from '@/core/brand/document/identity';
import { takeTokens } from '@/core/intake/tokens/take-tokens';
import { readTokenFiles, type TokenFiles } from '@/core/intake/tokens/token-files';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { StageLink } from '@/ui/stage-link';
import { uniqueNames } from '@/core/base/unique-names';
import { changeKey } from './change-key';
import { Changes } from './changes';
import css from './files.module.css';

const LARGEST = 5 * 1024 * 1024;
const NEW = 'new';
const LEFT = 'left';

/** Files that were opened, and the theme each of their contexts stands for. */
interface Opened {
  readonly names: readonly string[];
  readonly files: TokenFiles;
  /** By the context's place: a theme's id, `NEW` or `LEFT`. */
  readonly themes: readonly string[];
  /** Ids for the themes that are new. */
  readonly ids: readonly string[];
}

/** Design token files against the brand: what is different, to be taken or left one by one. */
export function FilesView() {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string> | null>(null);
  const [carry, setCarry] = useState(true);
  const take = async (files: readonly File[]) => {
    const large = files.find(({ size }) => size > LARGEST);
    if (large) return tell(`${large.name} is larger than 5 MB; give the tokens in smaller files.`);
    const read: SourceFile[] = await Promise.all(
      files.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    );
    const found = readTokenFiles(read);
    setOpened({
      names: files.map(({ name }) => name),
      files: found,
      themes: found.contexts.map(({ name }, at) => likelyTheme(brand.themes, name, at, found.contexts.length)),
      ids: found.contexts.map(() => newId()),
    });
    setLeft(null);
  };
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    disabled: !mayEdit,
    onDrop: (files) => void (files.length > 0 && take(files)),
  });
  const mapped = useMemo(() => (opened ? mappedOf(opened, brand.themes) : []), [opened, brand.themes]);
  const changes = useMemo(() => (mapped.length > 0 ? compareTokens(brand, mapped) : []), [brand, mapped]);
  // What is not in the files may simply not be theirs: it stays unless the person says otherwise.
  const leaving = left ?? new Set(changes.filter(({ kind }) => kind === 'removed').map(changeKey));
  const chosen = changes.filter((change) => !leaving.has(changeKey(change)));
  const carried = Math.max(0, ...mapped.map(({ context }) => context.carried.length));
  const toggle = (keys: readonly string[], taken: boolean) => {
    const next = new Set(leaving);
    for (const key of keys)
      if (taken) next.delete(key);
      else next.add(key);
    setLeft(next);
  };
  const apply = () => {
    const command = takeTokens(brand, mapped, chosen, carry && carried > 0, newId);
    if (!command) return tell('There is nothing to take.');
    if (run(command)) {
      setOpened(null);
      tell(`${command.label}: done, and one undo away.`);
    }
  };
  return (
    <section
      {...getRootProps({ role: 'region' })}
      className={css.view}
      data-drop={isDragActive || undefined}
      aria-label="Token files"
    >
      <input {...getInputProps()} aria-label="Token files to bring in" />
      <div className={css.head}>
        <Button size="xs" disabled={!mayEdit} onClick={open}>
          Open token files…
        </Button>
        <span>
          {opened
            ? opened.names.join(', ')
            : 'Design tokens of the open standard, 2025.10 or the older form; a resolver together with the files it names. Or drop them here.'}
        </span>
        {!opened && (
          <Button size="xs" variant="ghost" asChild>
            <StageLink stage="ship">Write token files in Ship</StageLink>
          </Button>
        )}
        {opened && (
          <Button size="xs" variant="ghost" onClick={() => setOpened(null)}>
            Close
          </Button>
        )}
      </div>
      {opened && (
        <>
          {opened.files.problems.length > 0 && (
            <ul className={css.problems} aria-label="Problems of the files">
              {opened.files.problems.slice(0, 6).map(({ message, line, column }) => (
                <li key={`${line} ${column} ${message}`}>
                  Line {line}: {message}
                </li>
              ))}
              {opened.files.problems.length > 6 && <li>and {opened.files.problems.length - 6} more</li>}
            </ul>
          )}
          <div className={css.contexts}>
            {opened.files.contexts.map(({ name, tokens }, at) => (
              <label key={at}>
                <span>
                  {name} <small>{tokens.size}</small>
                </span>
                <NativeSelect.Root size="xs">
                  <NativeSelect.Field
                    aria-label={`Theme of ${name}`}
                    value={opened.themes[at]}
                    onChange={({ target }) => {
                      setOpened({ ...opened, themes: opened.themes.map((theme, n) => (n === at ? target.value : theme)) });
                      setLeft(null);
                    }}
                  >
                    {brand.themes.map((theme) => (
                      <option key={theme.id} value={theme.id}>
                        is {theme.name}
                      </option>
                    ))}
                    <option value={NEW}>is a new theme</option>
                    <option value={LEFT}>is left out</option>
                  </NativeSelect.Field>
                  <NativeSelect.Indicator />
                </NativeSelect.Root>
              </label>
            ))}
          </div>
          <Changes changes={changes} leaving={leaving} onToggle={toggle} />
          <div className={css.foot}>
            {carried > 0 && (
              <label>
                <input type="checkbox" checked={carry} onChange={() => setCarry(!carry)} />
                keep {carried} {carried === 1 ? 'entry' : 'entries'} that are no colours, as they stand
              </label>
            )}
            <Button size="xs" disabled={!mayEdit || (chosen.length === 0 && !(carry && carried > 0))} onClick={apply}>
              Take {chosen.length} of {changes.length}
            </Button>
          </div>
        </>
      )}
    </section>
  );
}

function bareName(name: string): string {
  return name.toLowerCase().replace(/[^a-z0-9]+/g, '');
}

/** The theme whose name is in the context's; a single context is most likely the theme in view, the first. */
function likelyTheme(themes: readonly { id: string; name: string }[], name: string, at: number, count: number): string {
  const exact = themes.find((theme) => bareName(theme.name) === bareName(name));
  const within = exact ?? themes.find((theme) => bareName(name).endsWith(bareName(theme.name)));
  return within?.id ?? (count === 1 && at === 0 ? themes[0]!.id : NEW);
}

function mappedOf(opened: Opened, themes: readonly { id: string; name: string }[]): MappedContext[] {
  const unique = uniqueNames(themes.map(({ name }) => name));
  const seen = new Set<string>();
  return opened.files.contexts.flatMap((context, at): MappedContext[] => {
    const wanted = opened.themes[at]!;
    if (wanted === LEFT || (wanted !== NEW && seen.has(wanted))) return [];
    seen.add(wanted);
    const known = themes.find(({ id }) => id === wanted);
    if (known) return [{ theme: known, context }];
    const name = unique(context.name.slice(0, 120) || 'New theme');
    return [{ theme: { id: opened.ids[at]!, name }, context }];
  });
}
