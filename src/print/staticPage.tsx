import { createHash } from 'node:crypto';
import type { ReactElement, ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';

const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
const asItIs = (text: string) => ({ dangerouslySetInnerHTML: { __html: text } });

/** Our own style and script, written into the page as they are. */
type Raw = { style: string; script?: string };

/**
 * A page in a single file. Its style and script are inside, and its content security policy lets nothing else run.
 * @param policy further directives of that policy
 * @param head further elements of the head
 */
export function staticPage(
  given: Raw & { title: string; policy: readonly string[]; head?: ReactNode; body: ReactElement },
): string {
  const { title, style, script, policy, head, body } = given;
  const rules = [
    "default-src 'none'",
    ...(script ? [`script-src ${hash(script)}`] : []),
    `style-src ${hash(style)}`,
    "base-uri 'none'",
    ...policy,
  ].join('; ');
  const page = (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta httpEquiv="Content-Security-Policy" content={rules} />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        {head}
        <title>{title}</title>
        <style {...asItIs(style)} />
      </head>
      <body>
        {body}
        {script ? <script {...asItIs(script)} /> : null}
      </body>
    </html>
  );
  return `<!doctype html>\n${renderToStaticMarkup(page)}\n`;
}

/** A drawing scaled to the width of the page. */
export const Drawing = ({ name, svg }: { name: string; svg: string }) => (
  <>
    <h3>{name}</h3>
    <div
      className="drawing"
      role="img"
      aria-label={name}
      {...asItIs(svg.replace(/(<svg[^>]*?) width="[^"]*" height="[^"]*"/, '$1'))}
    />
  </>
);
