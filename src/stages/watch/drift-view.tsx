import { Button } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { resolveTheme, swatchesOf, tokensOf } from '@/core/brand/reading/resolve';
import type { Brand } from '@/core/brand/document/document';
import type { Command } from '@/core/brand/commands/commands';
import type { Difference } from '@/core/drift/difference';
import { formatById } from '@/core/formats/registry';
import { SourceText } from '@/core/source/source-text';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { download } from '@/ui/download';
import type { ShownFile } from '@/workers/drift.worker';
import { useDrift } from './use-drift';
import { ViewHead } from './view-head';
import css from './drift.module.css';

/** Is what they use still what we decided? Delivered files are handed in and compared, colour by colour. */
export function DriftView() {
  const { drift, share, compare, stop } = useDrift();
  const [chosen, setChosen] = useState<string | null>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = (files: readonly File[]) => {
    setChosen(null);
    if (files.length > 0) void compare(files);
  };
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({ onDrop: take, noClick: true, noKeyboard: true });
  const files = [...(drift?.compared ?? [])]
    .filter(({ state }) => state !== 'no colours')
    .sort((one, two) => two.differences.length - one.differences.length);
  const without = (drift?.compared.length ?? 0) - files.length;
  const shown = files.find(({ file }) => file === chosen) ?? files[0];
  const drifted = files.filter(({ differences }) => differences.length > 0).length;
  return (
    <div {...getRootProps()} className={css.stage} data-dropping={isDragActive || undefined}>
      <input {...getInputProps()} data-testid="delivered" />
      <input
        ref={folder}
        type="file"
        hidden
        // Not known to the types yet, and to every browser.
        {...{ webkitdirectory: '' }}
        onChange={({ target }) => {
          take([...(target.files ?? [])]);
          target.value = '';
        }}
      />
      <ViewHead title="Is what they use still what we decided?">
        <Button size="xs" onClick={open}>
          Choose files…
        </Button>
        <Button size="xs" variant="outline" onClick={() => folder.current?.click()}>
          Choose a folder…
        </Button>
      </ViewHead>
      {share !== null && (
        <p className={css.working} role="status">
          Comparing, {Math.round(share * 100)} %{' '}
          <Button size="2xs" variant="outline" onClick={stop}>
            Stop
          </Button>
        </p>
      )}
      <div role="alert">
        {drift?.problems.map((problem) => (
          <p key={problem}>{problem}</p>
        ))}
      </div>
      {!drift || (files.length === 0 && drift.problems.length === 0) ? (
        <div className={css.nothing}>
          <h2>{drift ? 'There is no colour in these files' : 'Hand in what they use'}</h2>
          <p>
            Drop files, a zip or a folder that was delivered, or that somebody works with now. Each is recognised as a file of
            this brand, as a graft, or as somebody’s own, and every colour that is not what the brand decided is told with its
            line, its token and its distance.
          </p>
        </div>
      ) : (
        files.length > 0 && (
          <div className={css.columns}>
            <div className={css.files}>
              <p>
                {drifted === 0 ? `All ${files.length} as decided` : `${drifted} of ${files.length} have drifted`}
                {without > 0 && `; ${without} more hold no colours`}
              </p>
              <ul>
                {files.map((file) => (
                  <li key={file.file}>
                    <button aria-current={file === shown || undefined} onClick={() => setChosen(file.file)}>
                      <b>{file.file.split('/').at(-1)}</b>
                      <small>
                        {stateWords(file)}
                        {file.format && ` · ${formatTitle(file.format)}`}
                      </small>
                    </button>
                  </li>
                ))}
              </ul>
            </div>
            {shown && <Differences key={shown.file} file={shown} />}
          </div>
        )
      )}
    </div>
  );
}

function formatTitle(format: string): string {
  return format === 'graft' ? 'graft' : format === 'art' ? 'recoloured art' : (formatById(format)?.title ?? format);
}

function stateWords({ state, differences, release }: ShownFile): string {
  if (differences.length > 0)
    return `${differences.length} ${differences.length === 1 ? 'colour differs' : 'colours differ'}${release === null ? '' : `, as in release ${release}`}`;
  return state === 'older release' ? `as in release ${release}` : state;
}

/** What is not as decided in one file, and what can be done about it. */
function Differences({ file }: { file: ShownFile }) {
  const { brand, run } = useBrand((state) => ({ brand: state.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const { differences, expected } = file;
  const mendable = differences.length > 0 && differences.every(({ mends }) => mends.length > 0);
  const name = file.file.split('/').at(-1)!;
  return (
    <section className={css.view} aria-label={file.file}>
      <div className={css.heading}>
        <h2>{file.file}</h2>
        {mendable && (
          <Button size="2xs" onClick={() => download(name, 'text/plain', corrected(file))}>
            Corrected file
          </Button>
        )}
        {expected && differences.length > 0 && (
          <Button size="2xs" variant="outline" onClick={() => download(name, expected.mediaType, expected.bytes)}>
            The file as the brand writes it
          </Button>
        )}
      </div>
      <p className={css.facts}>
        {file.format
          ? `Recognised as ${formatTitle(file.format)}`
          : 'A file of somebody’s own: its colours are compared with the nearest of the brand'}
        {file.equal > 0 && `; ${file.equal} colours are as decided`}
        {differences.length === 0 && (file.state === 'identical' ? '; byte for byte what the brand writes' : '; none is another')}
        .
      </p>
      {differences.length > 0 && (
        <table className={css.table}>
          <thead>
            <tr>
              <th>Line</th>
              <th>Token</th>
              <th>Decided</th>
              <th>Found</th>
              <th>ΔE</th>
              <th>Otherwise</th>
            </tr>
          </thead>
          <tbody>
            {differences.slice(0, MOST_SHOWN).map((difference, at) => {
              const taking = mayEdit ? takeBack(brand, difference) : null;
              return (
                <tr key={at} data-kind={difference.kind}>
                  <td>{difference.line}</td>
                  <td>{subjectOf(brand, difference)}</td>
                  <td>
                    <Colour hex={difference.expected} none="nothing" />
                  </td>
                  <td>
                    <Colour hex={difference.found} none="missing" />
                  </td>
                  <td>{difference.deltaE ?? ''}</td>
                  <td>
                    {taking && (
                      <Button size="2xs" variant="outline" onClick={() => run(taking)}>
                        Take it into the brand
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {differences.length > MOST_SHOWN && <p>and {differences.length - MOST_SHOWN} more</p>}
    </section>
  );
}

const MOST_SHOWN = 400;

function Colour({ hex, none }: { hex: string | null; none: string }) {
  if (hex === null) return <em>{none}</em>;
  const isColour = /^#[0-9a-f]{6}/.test(hex);
  return (
    <span className={css.colour}>
      {isColour && <i style={{ background: hex }} />}
      <code>{hex}</code>
      {!isColour && <em>no colour</em>}
    </span>
  );
}

function subjectOf(brand: Brand, { token, swatch, theme }: Difference): string {
  const place = swatch === null ? undefined : swatchesOf(brand).get(swatch);
  const name =
    token !== null
      ? (tokensOf(brand).get(token)?.path ?? 'a token that is gone')
      : place
        ? `${place.palette.name} / ${place.swatch.name}`
        : 'none of the brand’s';
  const where = brand.themes.find(({ id }) => id === theme)?.name;
  return where ? `${name}, ${where}` : name;
}

/** The command that makes the found colour the brand's: in the swatch that its token comes to, else in the token that has it. */
function takeBack(brand: Brand, { kind, token, swatch, theme, found }: Difference): Command | null {
  if (kind !== 'differs' || found === null || !/^#[0-9a-f]{6}/.test(found)) return null;
  let holder = token !== null && theme !== null ? resolveTheme(brand, theme).get(token) : undefined;
  // Aliases are followed; a state that is made by its rule gets a value of its own.
  while (holder?.via && 'token' in (holder.token.values[theme!] ?? {})) holder = holder.via;
  const place = swatchesOf(brand).get(swatch ?? holder?.kept?.swatch.id ?? '');
  if (place)
    return {
      label: `Take ${found} into ${place.swatch.name}`,
      steps: [{ do: 'swatch.edit', id: place.swatch.id, set: { value: found } }],
    };
  if (!holder) return null;
  const { id, path } = holder.token;
  return { label: `Take ${found} into ${path}`, steps: [{ do: 'token.set', id, set: { [theme!]: { colour: found } } }] };
}

/** The file with its wrong colours put right, and every other byte as it was. */
function corrected({ bytes, differences }: ShownFile): Uint8Array {
  return SourceText.of(bytes)!.rewritten(differences.flatMap(({ mends }) => mends));
}
