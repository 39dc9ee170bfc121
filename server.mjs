// Serves what `npm run build` built. What it reads from the environment stands in the README.
import './dist/serve.mjs';
