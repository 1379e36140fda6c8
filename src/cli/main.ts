import { program } from './program';

// Whoever reads the output may stop reading, as `head` does; that is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit();
});

await program.parseAsync();
