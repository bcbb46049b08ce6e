/** The note as one file that opens anywhere: no script, no picture, nothing fetched. */
import type { NotePart } from '../../../core/words/carer';

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

export function noteHtml(title: string, lead: string, parts: readonly NotePart[]): string {
  const body = parts
    .map(
      (p) =>
        `<h2>${escaped(p.title)}</h2>\n<ul>\n${p.lines.map((l) => `<li>${escaped(l)}</li>`).join('\n')}\n</ul>`,
    )
    .join('\n');
  return `<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(title)}</title>
<style>
body { font: 17px/1.45 sans-serif; max-width: 42em; margin: 1.5em auto; padding: 0 1em; color: #15231e; }
h1 { font-size: 1.5em; } h2 { font-size: 1.1em; margin: 1em 0 0.2em; } ul { margin: 0; padding-left: 1.2em; }
@media print { body { margin: 0; font-size: 12pt; } }
</style>
</head>
<body>
<h1>${escaped(title)}</h1>
<p>${escaped(lead)}</p>
${body}
</body>
</html>
`;
}
