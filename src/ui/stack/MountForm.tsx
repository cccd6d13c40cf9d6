import { FASTENERS, SPECIES, woodScrews } from '@/core/base/standards/withdrawal';
import { forceToField, forceUnit, parseForce } from '@/core/base/units/force';
import { parseSize, sizeToField, sizeUnit } from '@/core/base/units/length';
import { type Mount, Mount as MountSchema, WALLS } from '@/core/job/records/mount';
import type { Rack } from '@/core/job/records/rack';
import { mountOf, WALL_WORDS } from '@/core/trade/rack/mounting/wallMount';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { useRows } from '../kit/useRows';
import { useSession } from '../session/session';

const spaced = (key: string) => key.replace(/-/g, ' ');

type SizeField =
  | 'studSpacingMm'
  | 'studFaceMm'
  | 'threadInMm'
  | 'bracketWidthMm'
  | 'bracketHeightMm'
  | 'lineHeightMm'
  | 'boardMm';
type NumberField = 'topCount' | 'bottomCount' | 'safetyFactor' | 'lastingFactor';

/** How a rack is fixed to its wall; every figure is kept as soon as it is typed. */
export function MountForm({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const mount = mountOf(job, rack);
  const change = (changes: Partial<Mount>) => keep({ table: 'mounts', record: { ...mount, ...changes } });
  const taken = (field: keyof Mount, value: unknown): string | null => {
    const checked = MountSchema.shape[field].safeParse(value);
    if (!checked.success) return checked.error.issues[0]?.message ?? 'not as expected';
    return change({ [field]: checked.data }) ? null : 'It could not be taken.';
  };
  const size = (field: SizeField, label: string, help?: string) => (
    <CommitField
      label={label}
      unit={sizeUnit(job.units)}
      inputMode="decimal"
      value={sizeToField(mount[field], job.units)}
      {...(help ? { help } : {})}
      onCommit={(text) => taken(field, parseSize(text, job.units) ?? Number.NaN)}
    />
  );
  const figure = (field: NumberField, label: string, unit?: string, help?: string) => (
    <CommitField
      label={label}
      {...(unit ? { unit } : {})}
      {...(help ? { help } : {})}
      inputMode="decimal"
      value={String(mount[field])}
      onCommit={(text) => taken(field, text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')))}
    />
  );
  const force = (field: 'pullN' | 'shearN' | 'leanN', label: string, help?: string) => (
    <CommitField
      label={label}
      unit={forceUnit(job.units)}
      {...(help ? { help } : {})}
      inputMode="decimal"
      value={mount[field] === null ? '' : forceToField(mount[field], job.units)}
      onCommit={(text) => {
        const none = text.trim() === '' && field !== 'leanN';
        return taken(field, none ? null : (parseForce(text, job.units) ?? Number.NaN));
      }}
    />
  );
  return (
    <section aria-label={`How ${rack.name} hangs`} className="grid grid-cols-2 content-start gap-2">
      <CommitSelect
        label="Wall"
        className="col-span-2"
        value={mount.wall}
        options={WALLS.map((value) => ({ value, words: WALL_WORDS[value] }))}
        onCommit={(wall) => change({ wall: wall as Mount['wall'] })}
      />
      <CommitSelect
        label="Fixings"
        className="col-span-2"
        value={mount.fastener}
        options={FASTENERS.map((value) => ({
          value,
          words: value === 'anchor' ? 'anchors, by their maker’s table' : woodScrews[value].name,
        }))}
        onCommit={(fastener) => change({ fastener: fastener as Mount['fastener'] })}
      />
      {mount.wall === 'studs' && (
        <>
          <CommitSelect
            label="Wood of the studs"
            className="col-span-2"
            value={mount.species}
            options={SPECIES.map((value) => ({ value, words: spaced(value) }))}
            onCommit={(species) => change({ species: species as Mount['species'] })}
          />
          {size('threadInMm', 'Thread in the stud', 'Tip not counted.')}
          {size('studSpacingMm', 'Studs apart')}
          {size('studFaceMm', 'Face of a stud')}
          {size('boardMm', 'Board thickness')}
        </>
      )}
      {mount.fastener === 'anchor' && force('pullN', 'One anchor may be pulled by', 'By its maker’s table.')}
      {force('shearN', 'One may bear sideways', 'From its table; empty: not judged.')}
      {figure('topCount', 'Top fixings')}
      {figure('bottomCount', 'Bottom fixings')}
      {size('bracketWidthMm', 'Outer fixings apart')}
      {size('bracketHeightMm', 'Top ones above lower edge')}
      {size('lineHeightMm', 'Top line above bottom line')}
      {figure('safetyFactor', 'Safety factor')}
      {figure('lastingFactor', 'Load duration', undefined, '0.9: for good.')}
      {force('leanN', 'Somebody leans with')}
    </section>
  );
}
