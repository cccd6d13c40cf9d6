import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Rack } from '@/core/job/records/rack';
import { formatSize, parseSize, sizeToField, sizeUnit } from '@/core/units/length';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { Field, Input, Select } from '../kit/Field';
import { Sheet } from '../kit/Sheet';

const Form = z.object({
  name: Rack.shape.name,
  units: z.coerce.number<string>().pipe(Rack.shape.units),
  depth: z.string(),
  numbering: z.enum(['from-bottom', 'from-top']),
});

/** Change the rack. Gear that no longer fits stays and becomes a snag. */
export function RackSheet({ rack, onClose }: { rack: Rack; onClose: () => void }) {
  const jobUnits = useSession((session) => session.job.units);
  const dispatch = useSession((session) => session.dispatch);
  const { register, handleSubmit, setError, formState } = useForm<z.input<typeof Form>, unknown, z.output<typeof Form>>(
    {
      resolver: zodResolver(Form),
      defaultValues: {
        name: rack.name,
        units: String(rack.units),
        depth: sizeToField(rack.depthMm, jobUnits),
        numbering: rack.numbering,
      },
    },
  );
  const { errors } = formState;
  const change = ({ name, units, depth, numbering }: z.output<typeof Form>) => {
    const depthMm = Rack.shape.depthMm.safeParse(parseSize(depth, jobUnits));
    if (!depthMm.success) {
      const [least, most] = [50, 2000].map((mm) => formatSize(mm, jobUnits));
      return setError('depth', { message: `expected a depth from ${least} to ${most}` });
    }
    const changes = { name, units, depthMm: depthMm.data, numbering };
    if (dispatch([{ type: 'editRack', rackId: rack.id, changes }])) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={rack.name}
      about="Gear that no longer fits stays where it is, and the docket says so."
    >
      <form onSubmit={handleSubmit(change)} noValidate className="grid gap-4">
        <Field label="Name" wrong={errors.name?.message}>
          {(ids) => <Input {...ids} {...register('name')} />}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Height" unit="U" wrong={errors.units?.message}>
            {(ids) => <Input {...ids} {...register('units')} inputMode="numeric" />}
          </Field>
          <Field label="Usable depth" unit={sizeUnit(jobUnits)} wrong={errors.depth?.message}>
            {(ids) => <Input {...ids} {...register('depth')} inputMode="decimal" />}
          </Field>
        </div>
        <Field label="Units are numbered">
          {(ids) => (
            <Select {...ids} {...register('numbering')}>
              <option value="from-bottom">from the bottom: U1 lowest</option>
              <option value="from-top">from the top: U1 highest</option>
            </Select>
          )}
        </Field>
        <div>
          <Button look="main" type="submit">
            Change the rack
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
