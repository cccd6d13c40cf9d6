import { formatMinutes } from '@/core/base/units/minutes';
import type { BuildPlan } from '@/core/trade/build/buildPlan';
import { Heading } from '../kit/viewParts';

const LANE = 16;
const LEFT = 150;
const WIDTH = 900;

/** Services as lanes over the time of the work, drawn to scale; visits as sections. What is dark is a bar. */
export function TimeLanes({ plan }: { plan: BuildPlan }) {
  const { planned, dark } = plan;
  const whole = planned.reduce((sum, { minutes }) => sum + minutes, 0);
  if (whole === 0) return null;
  const scale = (WIDTH - LEFT) / whole;
  let at = 0;
  const spans = planned.map((one) => {
    const start = at;
    at += one.minutes;
    return { one, start };
  });
  const services = dark.map(({ service }) => service);
  const height = (services.length + 1) * LANE + 8;
  const sections = spans.filter(({ one }, slot) => slot === 0 || one.visit?.id !== spans[slot - 1]?.one.visit?.id);
  return (
    <section aria-label="Time line">
      <Heading>{services.length === 0 ? 'Nothing goes down' : 'What is down, and for how long'}</Heading>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls */}
      <section data-drawn tabIndex={0} aria-label="Lanes of services" className="mt-1 overflow-x-auto">
        <svg width={WIDTH} height={height} role="img" aria-label={`Services over ${formatMinutes(whole)} of work`}>
          {sections.map(({ one, start }, slot) => (
            <g key={`${one.visit?.id ?? 'none'} ${start}`}>
              <line x1={LEFT + start * scale} x2={LEFT + start * scale} y1={0} y2={height} stroke="var(--strong)" />
              <text x={LEFT + start * scale + 3} y={11} fontSize={11} fill="var(--soft)">
                {sectionName(one.visit?.name ?? 'no visit', ((sections[slot + 1]?.start ?? whole) - start) * scale)}
              </text>
            </g>
          ))}
          {services.map((service, lane) => (
            <g key={service}>
              <text x={0} y={(lane + 1) * LANE + 12} fontSize={12} fill="var(--ink)">
                {service}
              </text>
              <line
                x1={LEFT}
                x2={WIDTH}
                y1={(lane + 1) * LANE + 8}
                y2={(lane + 1) * LANE + 8}
                stroke="var(--good)"
                strokeWidth={2}
              />
              {spans.map(({ one, start }) => {
                const share = one.dark.find((dim) => dim.service === service)?.share;
                return share === undefined ? null : (
                  <rect
                    key={one.key + one.entry.action}
                    x={LEFT + start * scale}
                    y={(lane + 1) * LANE + 2}
                    width={Math.max(1.5, one.minutes * scale)}
                    height={12}
                    fill={share < 0.995 ? 'var(--bite)' : 'var(--wont)'}
                  >
                    <title>{`${service}: ${one.entry.step.words}, ${formatMinutes(one.minutes)}`}</title>
                  </rect>
                );
              })}
            </g>
          ))}
        </svg>
      </section>
      {services.length > 0 && (
        <ul className="flex flex-wrap gap-x-5 text-[13px]">
          {dark.map(({ service, minutes, stretches }) => (
            <li key={service}>
              <b>{service}</b> {formatMinutes(Math.ceil(minutes))}
              {stretches.length > 1 && <span className="text-soft"> in {stretches.length} stretches</span>}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

const sectionName = (name: string, room: number): string => (name.length * 6.2 < room - 4 ? name : '');
