import { main } from './main';

// Who reads it has read enough, such as `| head`: that is no fault.
for (const stream of [process.stdout, process.stderr])
  stream.on('error', (fault: NodeJS.ErrnoException) => {
    if (fault.code !== 'EPIPE') throw fault;
    process.exit();
  });

// Set once the output has drained: an exit call would cut a pipe short.
process.exitCode = await main(process.argv.slice(2));
