// A worker that is never done.
export default function run() {
  for (;;);
}
