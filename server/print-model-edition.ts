/** Asked while the server is built. */
import { ROOT } from './root';
import { editionOfSources } from './model-edition';

process.stdout.write(editionOfSources(ROOT));
