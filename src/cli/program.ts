import { Command } from 'commander';
import { exportFiles, type ExportOptions } from './export';
import { ending } from './failure';
import { check, type CheckOptions } from './check';
import { compareFiles } from './compare';
import { graft, type GraftOptions } from './graft';
import { listFormats } from './formats';
import { inspect } from './inspect';
import { recolourFiles, type RecolourOptions } from './recolour';
import { match, type MatchOptions } from './match';
import { pull, type PullOptions } from './pull';
import { verify, type VerifyOptions } from './verify';

/** The commands and what they take. */
export const program = new Command('breakwater')
  .description('Read colours out of files, and write them as the files that screens read.')
  // What cannot be used ends with 2 and one line, whether it is a file or an argument.
  .configureOutput({ outputError: (text, write) => write(text.replace(/^error: /, 'breakwater: ')) })
  .exitOverride(({ exitCode }) => process.exit(exitCode === 0 ? 0 : 2))
  .addHelpText(
    'after',
    '\nEnds with 0 when all went well, 1 when disk or network failed, 2 when the input could not be used,\n3 when the server refused, 4 when --check finds files that differ. compare: 1 when colours differ.\ncheck: 1 when something is found.\nverify, match: 0 when all is identical, 1 when not. verify: 2 when a page could not be read.',
  );

program
  .command('inspect')
  .description('say what colours a file holds')
  .argument('<file>')
  .option('--as <format>', 'read it as this format')
  .option('--range <cells>', 'of a table or workbook these cells only, such as B2:I8')
  .option('--json', 'for programs')
  .action((file: string, options: Parameters<typeof inspect>[1]) => ending(() => inspect(file, options)));

program
  .command('formats')
  .description('list the formats')
  .option('--json', 'for programs')
  .action((options: { json?: boolean }) => ending(() => listFormats(options)));

const repeated = (value: string, known: string[]) => [...known, value];

program
  .command('export')
  .description('write a brand file, or any file that inspect can read, as files for its consumers')
  .argument('<brand>')
  .option('--to <ids>', 'format ids with commas between, or all; without it, the brand’s own destinations')
  .requiredOption('--out <folder>', 'where to write')
  .option('--theme <name>', 'one theme only')
  .option('--set <name=value>', 'an option of the format; may be given several times', repeated, [])
  .option('--check', 'write nothing, and end with 4 when the folder is not up to date')
  .option('--watch', 'write again whenever the brand file changes')
  .option('--json', 'for programs')
  .action((brand: string, options: ExportOptions) => ending(() => exportFiles(brand, options)));

program
  .command('verify')
  .description('open pages in a browser and hold every colour on them against the brand, in every theme and state')
  .argument('<address...>', 'of the pages')
  .option('--brand <file>', 'a brand file to hold them against')
  .option(
    '--server <address>',
    'or a server’s release, such as https://colours.example/deliver/BRAND; the token is taken from BREAKWATER_TOKEN',
  )
  .option('--release <number>', 'of the server: its number, or latest', 'latest')
  .option('--screen <id>', 'of the server: tell Watch what this screen showed; for one page')
  .option('--theme <name>', 'only this theme; may be given several times', repeated, [])
  .option('--theme-attribute <name>', 'the attribute of the page’s root by which it changes theme', 'data-theme')
  .option('--json', 'for programs')
  .action((addresses: string[], options: VerifyOptions) => ending(() => verify(addresses, options)));

program
  .command('match')
  .description('say what a server knows of a brand’s screens: which tokens differ where, and why')
  .argument('<address>', 'such as https://colours.example/deliver/BRAND; the token is taken from BREAKWATER_TOKEN')
  .option('--json', 'for programs')
  .action((address: string, options: MatchOptions) => ending(() => match(address, options)));

program
  .command('pull')
  .description('fetch the files of a release from a server; the token is taken from BREAKWATER_TOKEN')
  .argument('<address>', 'such as https://colours.example/deliver/BRAND')
  .option('--release <number>', 'its number, or latest', 'latest')
  .requiredOption('--out <folder>', 'where to write')
  .option('--check', 'write nothing, and end with 4 when the folder is not up to date')
  .option('--watch', 'ask for a newer release every few seconds')
  .option('--json', 'for programs')
  .action((address: string, options: PullOptions) => ending(() => pull(address, options)));

program
  .command('graft')
  .description('list the colours of a settings file, or write it with some of them replaced and all else as it is')
  .argument('<host>', 'any text file')
  .option(
    '--set <index=colour>',
    'the colour of one slot, by its place in the list from 0; may be given several times',
    repeated,
    [],
  )
  .option('--brand <file>', 'a brand file, whose colours the slots are to have')
  .option('--bind <file>', 'which slot has which token or swatch of it')
  .option('--order <order>', 'of the bytes of its codes, where the file does not tell: rgba, argb, bgra or abgr')
  .option('--asides', 'colours in comments and sentences too')
  .option('--out <file>', 'where to write')
  .option('--json', 'for programs')
  .action((host: string, options: GraftOptions) => ending(() => graft(host, options)));

program
  .command('recolour')
  .description('bring pictures into a palette, pixel by pixel')
  .argument('<png...>', 'PNG files; several are brought into it alike')
  .requiredOption('--to <file>', 'a brand file, or any file that inspect can read')
  .option('--palette <name>', 'one of its palettes; without it, the colours of all')
  .option('--map <from=to>', 'where one colour goes, whatever is nearest; may be given several times', repeated, [])
  .option('--key <colour>', 'the colour that becomes transparent')
  .option('--keep-order', 'the darker of two shades of a hue stays the darker')
  .option('--dither <kind>', 'none, ordered or diffusion', 'none')
  .option('--limit <count>', 'use at most so many colours of the palette')
  .option('--indexed', 'as indexed PNG, with the palette in its order')
  .requiredOption('--out <folder>', 'where to write')
  .option('--json', 'for programs')
  .action((pngs: string[], options: RecolourOptions) => ending(() => recolourFiles(pngs, options)));

program
  .command('compare')
  .description('tell whether delivered files still have the colours that the brand decided; ends with 1 when they have not')
  .argument('<delivered>', 'a file, a zip or a folder')
  .argument('<brand>', 'a brand file')
  .option('--json', 'for programs')
  .action((delivered: string, brand: string, options: { json?: boolean }) =>
    ending(() => compareFiles(delivered, brand, options)),
  );

program
  .command('check')
  .description('say what is wrong with a brand: contrast, colours that look alike, series, names; ends with 1 when something is')
  .argument('<brand>', 'a brand file, or any file that inspect can read')
  .option('--theme <name>', 'what concerns one theme, and the brand as a whole')
  .option('--fail-on <severity>', 'end with 1 from here on: error, warning or note', 'error')
  .option('--json', 'for programs')
  .action((brand: string, options: CheckOptions) => ending(() => check(brand, options)));
