/** Print a slip of paper: a page of its own in a hidden frame, so that nothing else of the screen is on it. */
export function printSlip({ title, lines }: { title: string; lines: readonly string[] }): void {
  const frame = document.createElement('iframe');
  frame.title = title;
  frame.setAttribute('aria-hidden', 'true');
  frame.className = 'fixed size-0 border-0';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) {
    frame.remove();
    return;
  }
  page.title = title;
  const heading = page.createElement('h1');
  heading.textContent = title;
  const list = page.createElement('ol');
  for (const words of lines) {
    const item = page.createElement('li');
    item.textContent = words;
    list.append(item);
  }
  page.body.append(heading, list);
  frame.contentWindow?.addEventListener('afterprint', () => frame.remove());
  frame.contentWindow?.print();
}
