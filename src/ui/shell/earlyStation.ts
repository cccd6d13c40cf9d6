import { readJobPath } from '../kit/jobPath';
import { loadView, viewOf } from './loadView';

// The screen is fetched beside everything else that the page is made of, not behind it. Imported first for that.
if (typeof window !== 'undefined') {
  const { station, view } = readJobPath(window.location.pathname);
  void loadView(station, viewOf(station, view)).catch(() => undefined);
}
// So is the second face: first asked for when the rows are laid out, it would lay them out once more.
if (typeof document !== 'undefined') void document.fonts.load('13px "JetBrains Mono Variable"').catch(() => undefined);
