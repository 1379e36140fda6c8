import { config } from 'zod';

// Zod compiles its checks with `new Function` unless told not to. The page's policy forbids that, and reports each try.
config({ jitless: true });
