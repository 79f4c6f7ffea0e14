// One start a data folder: an abstract socket named after it, which the kernel lets go of even after a kill -9.
import { createHash } from 'node:crypto';
import { createServer } from 'node:net';
import { Trouble } from './trouble.mjs';

export async function lockFolder(folder) {
  const name = `\0jumper-${createHash('sha256').update(folder).digest('hex').slice(0, 32)}`;
  const server = createServer();
  await new Promise((resolve, reject) => {
    server.once('error', (e) =>
      reject(
        e.code === 'EADDRINUSE'
          ? new Trouble(
              `Jumper is running on this data folder already (${folder}). Stop that one first, or set JUMPER_DATA_DIR to another folder.`,
            )
          : e,
      ),
    );
    server.listen(name, resolve);
  });
  server.unref();
  return () => server.close();
}
