import { useDraggable } from '@dnd-kit/core';
import { Pin } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import type { ElevationItem } from '@/core/job/rack/elevation';
import { Faceplate } from '../drawing/Faceplate';
import { useTripped } from '../kit/tripped';
import { useSession } from '../session/session';
import { useCarrying } from './carrying';
import type { Carry } from './useCarry';

export type DeviceProps = {
  item: ElevationItem;
  /** Of the rack drawn, and whether it is seen from behind. */
  widthMm: number;
  behind: boolean;
  scale: number;
  tint: string | null;
  note: string | null;
  carry: Carry;
  onChoose: (gearId: string) => void;
};

/** One device on the rails, as a control: drag it, or Enter and arrows. */
export const Device = memo(function Device({ item, widthMm, behind, scale, tint, note, carry, onChoose }: DeviceProps) {
  const { setNodeRef, listeners, attributes } = useDraggable({ id: item.gearId });
  const held = useCarrying(({ carried }) => carried?.gearId === item.gearId);
  const dark = useTripped((tripped) => tripped.dark.has(item.gearId));
  const found = useSession((session) => session.foundGearId === item.gearId);
  const button = useRef<HTMLButtonElement | null>(null);
  useEffect(() => {
    // After the dialog it was found with has closed and given the focus back.
    if (found) setTimeout(() => button.current?.focus(), 50);
  }, [found]);
  const x = behind ? widthMm - item.x - item.width : item.x;
  const where =
    item.face === 'front' ? '' : item.face === 'rear' ? ' behind' : ` ${item.face.replace('rear-', 'behind ')}`;
  return (
    <>
      <button
        ref={(node) => {
          button.current = node;
          setNodeRef(node);
        }}
        {...attributes}
        {...listeners}
        type="button"
        data-device={item.gearId}
        aria-roledescription="device"
        aria-label={`${item.shortName} ${item.name}, ${item.place}${where}${item.pinned ? ', pinned' : ''}${dark ? ', dark' : ''}`}
        aria-pressed={held}
        onKeyDown={(event) => carry.press(event, item.gearId)}
        onFocus={() => onChoose(item.gearId)}
        onBlur={() => carry.blur(item.gearId)}
        className={`absolute cursor-grab touch-none text-left ${held ? 'opacity-40' : ''} ${item.tooDeep ? 'outline-3 outline-wont' : ''} ${dark ? 'outline-3 outline-dashed outline-wont' : ''}`}
        style={{ left: x * scale, top: item.y * scale, width: item.width * scale, height: item.height * scale }}
      >
        <Faceplate
          name={item.name}
          short={item.shortName}
          kind={item.kind}
          width={item.width}
          height={item.height}
          ports={item.ports.filter((port) => port.side === 'front')}
          scale={scale}
          upright={item.width < item.height && item.height > 150}
          tint={tint}
        />
        {dark && (
          <b aria-hidden className="absolute top-0 right-0 rounded-[2px] bg-sheet px-1 text-wont leading-none">
            ✕
          </b>
        )}
        {item.pinned && <Pin size={12} aria-hidden className="absolute top-0.5 right-0.5 fill-act text-act" />}
        {note && (
          <span className="absolute right-3 bottom-0 rounded-[2px] bg-sheet px-1 font-bold font-mono text-[11px] leading-4">
            {note}
          </span>
        )}
      </button>
      {item.carried.map((one) => (
        <Carried
          key={one.gearId}
          item={one}
          behind={behind}
          widthMm={widthMm}
          scale={scale}
          carry={carry}
          onChoose={onChoose}
        />
      ))}
    </>
  );
});

/** What stands on a shelf. */
function Carried({
  item,
  behind,
  widthMm,
  scale,
  carry,
  onChoose,
}: { item: ElevationItem['carried'][number] } & Pick<
  DeviceProps,
  'behind' | 'widthMm' | 'scale' | 'carry' | 'onChoose'
>) {
  const { setNodeRef, listeners, attributes } = useDraggable({ id: item.gearId });
  const held = useCarrying(({ carried }) => carried?.gearId === item.gearId);
  const dark = useTripped((tripped) => tripped.dark.has(item.gearId));
  const x = behind ? widthMm - item.x - item.width : item.x;
  return (
    <button
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      type="button"
      data-device={item.gearId}
      aria-roledescription="device"
      aria-label={`${item.name}, on its shelf${dark ? ', dark' : ''}`}
      aria-pressed={held}
      onKeyDown={(event) => carry.press(event, item.gearId)}
      onFocus={() => onChoose(item.gearId)}
      onBlur={() => carry.blur(item.gearId)}
      title={item.name}
      className={`narrow absolute cursor-grab touch-none overflow-hidden border-2 border-ink bg-face px-0.5 text-left font-semibold text-[10px] leading-none ${held ? 'opacity-40' : ''} ${dark ? 'border-wont border-dashed' : ''}`}
      style={{ left: x * scale, top: item.y * scale, width: item.width * scale, height: item.height * scale }}
    >
      <span className="block truncate">{item.name}</span>
    </button>
  );
}
