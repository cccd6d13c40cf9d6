import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Gear } from '@/core/job/records/gear';
import { formatSize, parseSize, sizeToField, sizeUnit } from '@/core/units/length';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { Sheet } from '../kit/Sheet';

const Form = z.object({
  name: Gear.shape.name,
  heightU: z.coerce.number<string>().pipe(Gear.shape.heightU),
  depth: z.string(),
  massKg: z.coerce.number<string>().pipe(Gear.shape.massKg.unwrap()),
  powerW: z.coerce.number<string>().pipe(Gear.shape.powerW.unwrap()),
  poeBudgetW: z.coerce.number<string>().pipe(Gear.shape.poeBudgetW.unwrap()),
  notes: Gear.shape.notes.unwrap(),
});

/** Name and figures of one device. */
export function GearSheet({ gear, onClose }: { gear: Gear; onClose: () => void }) {
  const units = useSession((session) => session.job.units);
  const dispatch = useSession((session) => session.dispatch);
  const { register, handleSubmit, setError, formState } = useForm<z.input<typeof Form>, unknown, z.output<typeof Form>>(
    {
      resolver: zodResolver(Form),
      defaultValues: {
        name: gear.name,
        heightU: String(gear.heightU),
        depth: sizeToField(gear.depthMm, units),
        massKg: String(gear.massKg),
        powerW: String(gear.powerW),
        poeBudgetW: String(gear.poeBudgetW),
        notes: gear.notes,
      },
    },
  );
  const { errors } = formState;
  const change = ({ depth, ...figures }: z.output<typeof Form>) => {
    const depthMm = Gear.shape.depthMm.safeParse(parseSize(depth, units));
    if (!depthMm.success) return setError('depth', { message: `expected a depth up to ${formatSize(2000, units)}` });
    const changes = { ...figures, depthMm: depthMm.data };
    if (dispatch([{ type: 'editGear', gearId: gear.id, changes }])) onClose();
  };
  return (
    <Sheet open onClose={onClose} title={gear.name} about="The data sheet of the real thing rules.">
      <form onSubmit={handleSubmit(change)} noValidate className="grid gap-4">
        <Field label="Name" help="As it is marked on its front." wrong={errors.name?.message}>
          {(ids) => <Input {...ids} {...register('name')} autoComplete="off" />}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Height" unit="U" wrong={errors.heightU?.message}>
            {(ids) => <Input {...ids} {...register('heightU')} inputMode="numeric" />}
          </Field>
          <Field label="Body depth" unit={sizeUnit(units)} wrong={errors.depth?.message}>
            {(ids) => <Input {...ids} {...register('depth')} inputMode="decimal" />}
          </Field>
          <Field label="Mass" unit="kg" wrong={errors.massKg?.message}>
            {(ids) => <Input {...ids} {...register('massKg')} inputMode="decimal" />}
          </Field>
          <Field label="Own power at most" unit="W, without PoE" wrong={errors.powerW?.message}>
            {(ids) => <Input {...ids} {...register('powerW')} inputMode="decimal" />}
          </Field>
          {gear.ports.some((port) => port.poeW > 0) && (
            <Field label="PoE budget" unit="W" help="All its ports together." wrong={errors.poeBudgetW?.message}>
              {(ids) => <Input {...ids} {...register('poeBudgetW')} inputMode="decimal" />}
            </Field>
          )}
        </div>
        <Field label="Notes" wrong={errors.notes?.message}>
          {(ids) => <Input {...ids} {...register('notes')} autoComplete="off" />}
        </Field>
        <div>
          <Button look="main" type="submit">
            Change {gear.name}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
