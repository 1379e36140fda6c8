import { FAMILY_TITLES, TAKEN, type Format } from '../src/core/formats/kit/format';
import { optionKinds, type OptionKind } from '../src/core/formats/kit/option-kinds';
import { FORMATS } from '../src/core/formats/registry';

/** docs/formats.md: every format of the registry with its options, out of the registry alone. */
export function formatPage(): string {
  const written = FORMATS.filter((format) => format.write);
  const sections = (Object.keys(FAMILY_TITLES) as Format['family'][]).flatMap((family) => {
    const own = FORMATS.filter((format) => format.family === family);
    return own.length > 0 ? [`## ${FAMILY_TITLES[family]}\n\n${own.map(part).join('\n')}`] : [];
  });
  return `# Formats

Made from the registry by \`npm run documents\`; a test holds it. ${written.length} formats are written, ${FORMATS.filter((format) => format.read).length} are read. [equality.md](equality.md) shows how
each written one is read back; [templates.md](templates.md) says how to write one that is not here.

Options are set under Ship, or on the command line with \`--set name=value\`.

${sections.join('\n')}`;
}

function part(format: Format): string {
  const { id, title, purpose, extensions, read, write, readBy, taken } = format;
  const does = [read && 'read', write && 'written'].filter(Boolean).join(' and ');
  const kinds = write ? optionKinds(format) : [];
  const options = kinds.map(
    (kind) => `| \`${kind.name}\` | ${cell(kind.title)} | ${cell(values(kind))} | ${cell(kind.untouched)} |`,
  );
  return [
    `### ${title}`,
    '',
    `\`${id}\`, ${does}; ${extensions.map((one) => `\`${one}\``).join(' ')}. ${readBy ? `Read by: ${readBy}. ` : ''}${purpose}${taken ? ` ${TAKEN[taken]}` : ''}`,
    '',
    ...(options.length > 0
      ? ['| Option | What it does | Values | Left alone |', '| --- | --- | --- | --- |', ...options, '']
      : []),
  ].join('\n');
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
