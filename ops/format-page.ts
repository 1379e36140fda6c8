import { FAMILY_TITLES } from '@/core/base/families';
import { RELOADS, type Format } from '../src/core/formats/kit/format';
import { optionKinds, type OptionKind } from '../src/core/formats/kit/option-kinds';
import { FORMATS } from '../src/core/formats/registry';
import type { Reader } from '../src/core/intake/reader';
import { readerById, READERS } from '../src/core/intake/readers';

/** docs/formats.md: every format of the registry with its options, out of the registry alone. */
export function formatPage(): string {
  const sections = (Object.keys(FAMILY_TITLES) as Format['family'][]).flatMap((family) => {
    const written = FORMATS.filter((format) => format.family === family);
    const onlyRead = READERS.filter((reader) => reader.family === family && !written.some(({ id }) => id === reader.id));
    const parts = [...written.map(part), ...onlyRead.map(readPart)];
    return parts.length > 0 ? [`## ${FAMILY_TITLES[family]}\n\n${parts.join('\n')}`] : [];
  });
  return `# Formats

Made from the registry by \`npm run documents\`; a test holds it. ${FORMATS.length} formats are written, ${READERS.length} are read. [equality.md](equality.md) shows how
each written one is read back; [templates.md](templates.md) says how to write one that is not here.

Options are set under Ship, or on the command line with \`--set name=value\`.

${sections.join('\n')}`;
}

function part(format: Format): string {
  const { id, title, purpose, extensions, readBy, reload } = format;
  const reader = readerById(id);
  const options = optionKinds(format).map(
    (kind) => `| \`${kind.name}\` | ${cell(kind.title)} | ${cell(values(kind))} | ${cell(kind.untouched)} |`,
  );
  return [
    `### ${title}`,
    '',
    `\`${id}\`, ${reader ? 'read and written' : 'written'}; ${endings(extensions)}. Read by: ${readBy}. ${purpose} ${RELOADS[reload]}${reader ? ` When it is read: ${reader.purpose}` : ''}`,
    '',
    ...(options.length > 0
      ? ['| Option | What it does | Values | Left alone |', '| --- | --- | --- | --- |', ...options, '']
      : []),
  ].join('\n');
}

function readPart({ id, title, extensions, purpose }: Reader): string {
  return [`### ${title}`, '', `\`${id}\`, read; ${endings(extensions)}. ${purpose}`, ''].join('\n');
}

function endings(extensions: readonly string[]): string {
  return extensions.map((extension) => `\`${extension}\``).join(' ');
}

function values({ value }: OptionKind): string {
  switch (value.kind) {
    case 'one':
    case 'several':
      return `${value.kind === 'several' ? 'a list of ' : ''}${value.words.map(([word, says]) => (word === says ? `\`${word}\`` : `\`${word}\` (${says})`)).join(', ')}`;
    case 'flag':
      return '`true` or `false`';
    case 'tokens':
      return 'the path of a token or group';
    case 'groups':
      return 'a list of paths';
    case 'theme':
      return 'the id of a theme';
    case 'themes':
      return 'a list of ids of themes';
    case 'classes':
      return 'any text that holds class names';
    case 'source':
      return 'a template';
    default:
      return `a ${value.kind}`;
  }
}

function cell(text: string): string {
  return text.replace(/\|/g, '\\|').replace(/\n/g, ' ');
}
