/** npm run build: packages and everything that is built, ahead of a start by a user who may write nothing here. */
import { ensureBuild } from './lib/build.mjs';
import { needMariadb, needNode, needPackages } from './lib/needs.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  needNode();
  needPackages();
  needMariadb();
  await ensureBuild();
});
