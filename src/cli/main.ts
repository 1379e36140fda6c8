import { program } from './program';

await program.parseAsync();
