/** A page as one file that opens anywhere: no script, nothing fetched; drawings stand in it. */

/** A heading with its lines, and a drawing where there is one: SVG as text, its texts escaped already. */
export interface SheetPart {
  title: string;
  lines: readonly string[];
  svg?: string;
}

export const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

export function sheetHtml(title: string, lead: string, parts: readonly SheetPart[]): string {
  const body = parts
    .map(({ title: heading, lines, svg }) =>
      [
        `<h2>${escaped(heading)}</h2>`,
        ...(svg === undefined ? [] : [svg]),
        ...(lines.length === 0
          ? []
          : [`<ul>\n${lines.map((l) => `<li>${escaped(l)}</li>`).join('\n')}\n</ul>`]),
      ].join('\n'),
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
svg { max-width: 100%; height: auto; }
@media print { body { margin: 0; font-size: 12pt; } h2 { break-after: avoid; } }
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
