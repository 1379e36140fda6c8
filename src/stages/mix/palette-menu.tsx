import { parsePalette } from '@/core/intake/swatches/palette-file';
import { paletteFileName, serialisePalette } from '@/core/brand/document/palette-file';
import { Button, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Palette } from '@/core/brand/document/palette-shape';
import { newId } from '@/core/brand/document/identity';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { download } from '@/ui/download';
import { MakeTokens } from '@/ui/make-tokens';
import { HiddenFile } from '@/ui/hidden-file';
import { tell } from '@/ui/notices';
import { PaletteAbout } from './palette-about';
import { PutOnShelf } from '@/ui/put-on-shelf';

/** The longest palette file that is opened, in bytes. */
const LONGEST = 5 * 1024 * 1024;

/** What is done with a palette as a whole. */
export function PaletteMenu({ palette }: { palette: Palette }) {
  const { run, choosePalette, person } = useBrand((state) => ({
    run: state.run,
    choosePalette: state.choosePalette,
    person: state.person,
  }));
  const mayEdit = useMayEdit();
  const [putting, setPutting] = useState(false);
  const [naming, setNaming] = useState(false);
  const [describing, setDescribing] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const save = () => {
    const bytes = new TextEncoder().encode(serialisePalette(palette, person.name));
    download(paletteFileName(palette), 'application/json', bytes);
  };
  const open = async (file: File) => {
    if (file.size > LONGEST) return tell(`${file.name} is longer than 5 MB; no palette file is.`);
    const parsed = parsePalette(await file.text());
    if (!parsed) return tell(`${file.name} is no palette file of Breakwater; bring other files in through Gather.`);
    if ('problems' in parsed) return tell(`${file.name} cannot be opened. ${parsed.problems[0]!.message}`);
    const { name, kind, note, maker, swatches } = parsed.palette;
    const made: Palette = {
      id: newId(),
      name,
      kind,
      ...(note && { note }),
      ...(maker && { maker }),
      source: { file: file.name.slice(0, 120) },
      swatches: swatches.map((swatch) => ({ id: newId(), ...swatch })),
    };
    if (run({ label: `Open ${file.name}`, steps: [{ do: 'palette.add', palette: made, before: null }] })) choosePalette(made.id);
  };
  return (
    <>
      <Menu.Root positioning={{ placement: 'bottom-end' }}>
        <Menu.Trigger asChild>
          <Button size="xs" variant="outline">
            Palette <ChevronDown size={13} />
          </Button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              <Menu.Item value="about" disabled={!mayEdit} onSelect={() => setDescribing(true)}>
                Note and maker…
              </Menu.Item>
              <Menu.Item value="save" disabled={palette.swatches.length === 0} onSelect={save}>
                Save as a file
              </Menu.Item>
              <Menu.Item value="open" disabled={!mayEdit} onSelect={() => input.current!.click()}>
                Open a palette file…
              </Menu.Item>
              <Menu.Item value="tokens" disabled={!mayEdit || palette.swatches.length === 0} onSelect={() => setNaming(true)}>
                Make tokens of it…
              </Menu.Item>
              <Menu.Item value="shelf" disabled={!mayEdit || palette.swatches.length === 0} onSelect={() => setPutting(true)}>
                Put on the shelf…
              </Menu.Item>
              <Menu.Separator />
              <Menu.Item
                value="delete"
                disabled={!mayEdit}
                onSelect={() => run({ label: `Delete ${palette.name}`, steps: [{ do: 'palette.remove', id: palette.id }] })}
              >
                Delete palette
              </Menu.Item>
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      <HiddenFile ref={input} label="Palette file" accept=".json" onFile={(file) => void open(file)} />
      <PutOnShelf open={putting} onOpen={setPutting} />
      {naming && (
        <MakeTokens palette={palette} swatches={palette.swatches} name={palette.name} onClose={() => setNaming(false)} />
      )}
      {describing && <PaletteAbout palette={palette} onClose={() => setDescribing(false)} />}
    </>
  );
}
