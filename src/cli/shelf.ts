import { main } from './main';

// Set once the output has drained: an exit call would cut a pipe short.
process.exitCode = await main(process.argv.slice(2));
