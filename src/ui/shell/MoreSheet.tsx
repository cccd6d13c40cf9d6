import { Sheet } from '../kit/Sheet';
import { turnTheme } from '../kit/theme';

const LINE = 'flex min-h-12 w-full items-center border-b px-2 text-left font-semibold hover:bg-well';

/** What has no room in the header of a telephone. */
export function MoreSheet({
  jobId,
  mayShare,
  onShow,
  onClose,
}: {
  jobId: string;
  mayShare: boolean;
  onShow: (sheet: 'history' | 'files' | 'job' | 'shares') => void;
  onClose: () => void;
}) {
  const sheets = [
    ['history', 'Changes and versions'],
    ['files', 'Take away'],
    ['job', 'Name, units, and who you are'],
    ...(mayShare ? [['shares', 'Links and guests'] as const] : []),
  ] as const;
  return (
    <Sheet open onClose={onClose} title="More" about="What else there is of this job.">
      <a className={LINE} href={`/jobs/${jobId}/rack`}>
        At the rack
      </a>
      {sheets.map(([sheet, words]) => (
        <button key={sheet} type="button" className={LINE} onClick={() => onShow(sheet)}>
          {words}
        </button>
      ))}
      <button type="button" className={LINE} onClick={turnTheme}>
        Daylight or closet light
      </button>
    </Sheet>
  );
}
