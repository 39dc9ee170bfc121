const NOT_READ = /<script[\s\S]*?<\/script>|<style[\s\S]*?<\/style>|<[^>]+>/g;

/** What a page or a mail says, as people read it: without its marks, every space one space. */
export function textOf(html: string): string {
  return html
    .replace(NOT_READ, ' ')
    .replaceAll('&nbsp;', ' ')
    .replaceAll('&amp;', '&')
    .replaceAll('&#39;', '’')
    .replace(/[\s\u00a0\u2066-\u2069]+/g, ' ');
}
