/** Style rules as an element of a page: the one place where CSS is written into HTML. Nothing in them can end the element. */
export function styleHtml(css: string): string {
  // Within a style element only `</` matters (HTML, 13.2.5.5); in CSS a backslash before a slash is that slash.
  return `<style>${css.replaceAll('</', '<\\/')}</style>`;
}
