import { Command } from 'commander';
import { exportFiles } from './export';
import { listFormats } from './formats';
import { inspect } from './inspect';

const program = new Command('breakwater')
  .description('Read colours out of files, and write them as the files that screens read.')
  .showHelpAfterError();

program
  .command('inspect')
  .description('say what colours a file holds')
  .argument('<file>')
  .option('--as <format>', 'read it as this format')
  .option('--range <cells>', 'of a table or workbook these cells only, such as B2:I8')
  .option('--json', 'for programs')
  .action(inspect);

program.command('formats').description('list the formats').option('--json', 'for programs').action(listFormats);

program
  .command('export')
  .description('write a brand file, or any file that inspect can read, as files for its consumers')
  .argument('<brand>')
  .requiredOption('--to <ids>', 'format ids with commas between, or all')
  .requiredOption('--out <folder>', 'where to write')
  .option('--theme <name>', 'one theme only')
  .option('--json', 'for programs')
  .action(exportFiles);

await program.parseAsync();
