const { rmSync } = require('node:fs');

module.exports = async () => {
  await globalThis.__cluster.cluster.stop();
  rmSync(globalThis.__cluster.folder, { recursive: true, force: true });
};
