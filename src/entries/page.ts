import { views } from '~/pieces/views';
import { boot } from '~/runtime/boot';

/** What a page of the shop loads; the build for other sites puts `runtime/elsewhere` in place of `runtime/own`. */
void boot(views).catch(console.error);
