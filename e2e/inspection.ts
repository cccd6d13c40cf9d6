import type { Page } from '@playwright/test';

const WIDTHS = process.env.SHELF_LONG ? ([1440, 1280, 1024, 390] as const) : ([1280, 390] as const);

/** What is wrong with the page as it stands, in words; the same code looks at every view. */
const INSPECT = `(() => {
  const wrong = [];
  const root = document.documentElement;
  const name = (one) => (one.getAttribute('aria-label') || one.textContent || one.tagName).trim().replace(/\\s+/g, ' ').slice(0, 40);
  // Nothing moves while we look: each element is measured once.
  const once = (of) => {
    const known = new Map();
    return (one) => {
      if (!known.has(one)) known.set(one, of(one));
      return known.get(one);
    };
  };
  const boxOf = once((one) => one.getBoundingClientRect());
  const styleOf = once((one) => {
    const { visibility, clipPath, overflowX, overflowY, opacity, display, backgroundColor, fill } = getComputedStyle(one);
    return { visibility, clipPath, overflowX, overflowY, opacity, display, backgroundColor, fill };
  });
  const shown = once((one) => {
    const box = boxOf(one);
    const style = styleOf(one);
    return box.width > 1 && box.height > 1 && style.visibility !== 'hidden' && style.clipPath === 'none' && one.checkVisibility();
  });
  if (root.scrollWidth > innerWidth + 1) wrong.push('the page scrolls sideways to ' + root.scrollWidth);
  if (innerWidth >= 768 && root.scrollHeight > innerHeight + 1) wrong.push('the page scrolls to blank, ' + root.scrollHeight + ' high');
  for (const one of document.querySelectorAll('button, a[href], input:not([type=hidden]), select, textarea')) {
    if (!shown(one)) continue;
    const labelled = one.getAttribute('aria-label') || one.getAttribute('aria-labelledby') || (one.labels && one.labels.length > 0) || one.textContent.trim() || one.title || one.getAttribute('alt');
    if (!labelled) wrong.push('a control without a name: ' + one.outerHTML.slice(0, 80));
  }
  // What is cut off while nothing says its whole form.
  for (const one of document.querySelectorAll('main *, aside *, header *')) {
    if (!shown(one) || one.closest('.sr-only') || one.closest('[title]')) continue;
    if (one instanceof HTMLInputElement && one.type === 'text' && one.value && one.scrollWidth > one.clientWidth + 1) wrong.push('cut off in its field: ' + one.value.slice(0, 40));
    if (one.children.length > 0 || !one.textContent.trim()) continue;
    const style = styleOf(one);
    const hides = (axis) => axis === 'hidden' || axis === 'clip';
    if (hides(style.overflowX) && one.scrollWidth > one.clientWidth + 1) wrong.push('cut off: ' + name(one));
    else if (hides(style.overflowY) && one.scrollHeight > one.clientHeight + 2) wrong.push('cut off below: ' + name(one));
  }
  /** The part of an element that is not scrolled or cut away; null when nothing of it is. */
  const windowOf = once((one) => {
    if (!one) return { left: 0, top: 0, right: innerWidth, bottom: innerHeight };
    const outer = windowOf(one.parentElement);
    const style = styleOf(one);
    if (style.overflowX === 'visible' && style.overflowY === 'visible') return outer;
    let { left, top, right, bottom } = outer;
    const edge = boxOf(one);
    if (style.overflowX !== 'visible') [left, right] = [Math.max(left, edge.left), Math.min(right, edge.right)];
    if (style.overflowY !== 'visible') [top, bottom] = [Math.max(top, edge.top), Math.min(bottom, edge.bottom)];
    return { left, top, right, bottom };
  });
  const seen = (one, box) => {
    const edge = windowOf(one);
    const [left, top, right, bottom] = [Math.max(edge.left, box.left), Math.max(edge.top, box.top), Math.min(edge.right, box.right), Math.min(edge.bottom, box.bottom)];
    return right - left > 1 && bottom - top > 1 ? { left, top, right, bottom } : null;
  };
  // Two texts over each other.
  const texts = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  while (walker.nextNode()) {
    const node = walker.currentNode;
    const one = node.parentElement;
    if (!node.textContent.trim() || !one || one.closest('script, style, .sr-only, [data-over], option') || !shown(one)) continue;
    if (styleOf(one).opacity === '0') continue;
    range.selectNodeContents(node);
    for (const line of range.getClientRects()) {
      // The line of a text is higher than its letters.
      const slim = (line.bottom - line.top) * 0.2;
      const part = seen(one, { left: line.left + 1, right: line.right - 1, top: line.top + slim, bottom: line.bottom - slim });
      if (part) texts.push({ ...part, one, words: node.textContent.trim().replace(/\\s+/g, ' ').slice(0, 30) });
    }
  }
  texts.sort((a, b) => a.top - b.top);
  for (let at = 0; at < texts.length; at++) {
    for (let next = at + 1; next < texts.length && texts[next].top < texts[at].bottom - 1; next++) {
      const [a, b] = [texts[at], texts[next]];
      if (a.one === b.one || Math.min(a.right, b.right) - Math.max(a.left, b.left) < 2) continue;
      if (Math.min(a.bottom, b.bottom) - b.top < 2) continue;
      // What something opaque lies between is not read through it.
      const stack = document.elementsFromPoint((Math.max(a.left, b.left) + Math.min(a.right, b.right)) / 2, (b.top + Math.min(a.bottom, b.bottom)) / 2);
      const at2 = (text) => stack.findIndex((one) => one === text.one || text.one.contains(one));
      const [ia, ib] = [at2(a), at2(b)];
      const opaque = (one) => {
        const style = styleOf(one);
        const ground = one instanceof SVGElement ? (one.matches('svg, g, text, tspan, path, line') ? 'none' : style.fill) : style.backgroundColor;
        return !(ground === 'none' || ground === 'transparent' || /, 0\\)$|\\/ 0\\)$/.test(ground));
      };
      const first = ia < 0 ? ib : ib < 0 ? ia : Math.min(ia, ib);
      const below = first === ia ? b : a;
      let hidden = false;
      for (const one of first < 0 ? [] : stack.slice(first)) {
        if (one.contains(below.one)) break;
        if (opaque(one)) hidden = true;
      }
      if (hidden) continue;
      wrong.push('over each other: ' + a.words + ' / ' + b.words);
    }
  }
  // Targets: 24 px, and 44 on a phone; a link in a sentence is as high as its line.
  const least = innerWidth < 500 ? 44 : 24;
  for (const one of document.querySelectorAll('button, a[href], input:not([type=hidden]), select, textarea, [role=button], [role=checkbox], summary')) {
    if (!shown(one)) continue;
    if (one.matches('a[href]') && styleOf(one).display === 'inline') continue;
    const label = one.matches('input[type=checkbox], input[type=radio]') ? one.closest('label') : null;
    const box = boxOf(label || one);
    // A drawing to scale has things as large as they are; Find, lists and keys do the same.
    if (!seen(one, box) || one.closest('[data-drawn], svg')) continue;
    if (Math.min(box.width, box.height) < least - 0.5) wrong.push('a target of ' + Math.round(box.width) + ' x ' + Math.round(box.height) + ': ' + name(one));
  }
  return wrong;
})()`;

/**
 * Look at a page at two widths, in the long trial at four, and in both themes.
 * @param wrong what is found is added here
 * @param scrolls whether the page is one that scrolls as a whole
 */
export async function inspect(page: Page, at: string, wrong: string[], scrolls = false): Promise<void> {
  for (const theme of ['day', 'closet'] as const) {
    await page.evaluate((one) => document.documentElement.setAttribute('data-theme', one), theme);
    for (const width of WIDTHS) {
      // What looks at widths and names is the same in both themes: the narrow ones are looked at once.
      if (theme === 'closet' && width !== 1280) continue;
      await page.setViewportSize({ width, height: 800 });
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const all = (await page.evaluate(INSPECT)) as string[];
      const found = scrolls ? all.filter((words) => !words.startsWith('the page scrolls to blank')) : all;
      wrong.push(...found.slice(0, 4).map((words) => `${at} at ${width}, ${theme}: ${words}`));
    }
    const kept = await page.evaluate(() => document.documentElement.getAttribute('data-theme'));
    if (kept !== theme) wrong.push(`${at}: the theme is lost`);
  }
}
