import { useMemo, useState } from 'react';
import { answerTo, bestWay, LEVELS, practiceCase } from '@/core/trade/testing/practice';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { NumberField } from '../kit/NumberField';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';

type Step = { words: string; minutes: number; answer: string; id: string };

/** Invented faults to learn on: test and mend, and see the minutes beside the best that can be done. */
export function PracticeView() {
  const [level, setLevel] = useState(1);
  const [seed, setSeed] = useState(1);
  const [steps, setSteps] = useState<Step[]>([]);
  const [mended, setMended] = useState<readonly string[]>([]);
  const given = useMemo(() => practiceCase(level, seed), [level, seed]);
  const faults = given.faults.filter((id) => !mended.includes(id));
  const done = faults.length === 0;
  const minutes = steps.reduce((sum, one) => sum + one.minutes, 0);
  const best = useMemo(() => (done ? bestWay(given) : null), [done, given]);
  const begin = (change: () => void) => {
    change();
    setSteps([]);
    setMended([]);
  };
  return (
    <Scroll label="Practice">
      <p role="status" className="font-semibold text-bite">
        Simulated: an invented site with invented faults. Nothing of the job is touched.
      </p>
      <div className="grid items-end gap-3 sm:grid-cols-[2fr_1fr_auto]">
        <CommitSelect
          label="Level"
          value={String(level)}
          options={LEVELS.map(({ title }, at) => ({ value: String(at + 1), words: `${at + 1} · ${title}` }))}
          onCommit={(value) => begin(() => setLevel(Number(value)))}
        />
        <NumberField
          label="Case"
          value={seed}
          onCommit={(value) => {
            if (!Number.isInteger(value) || value < 0 || value > 1_000_000) return false;
            begin(() => setSeed(value));
            return true;
          }}
        />
        <Button onClick={() => begin(() => setSeed(seed + 1))}>Another case</Button>
      </div>
      <article aria-label="The case" className="grid max-w-3xl gap-1 border-2 border-strong bg-sheet p-3">
        <h2 className="wide font-bold text-lg leading-tight">{given.story}</h2>
        <p className="text-[13px] text-soft">
          {given.faults.length === 1 ? 'One thing is broken.' : 'Two things are broken at once.'} Test what you like,
          and mend what you think it is: each takes its minutes.
        </p>
      </article>
      <Figures>
        <Figure name="Minutes taken">{minutes}</Figure>
        <Figure name="Steps">{steps.length}</Figure>
        <Figure name="Broken still">
          {done ? 'nothing' : given.faults.length === 1 ? '1' : `${faults.length} of 2`}
        </Figure>
      </Figures>
      {steps.length > 0 && <Way title="What you did" steps={steps} />}
      {!done && (
        <div className="grid gap-4 lg:grid-cols-2">
          <section aria-label="Tests">
            <Heading>Test</Heading>
            <ul>
              {given.tests.map((test) => (
                <li key={test.id} className="border-b py-1">
                  <Button
                    className="w-full justify-start text-left"
                    onClick={() =>
                      setSteps([
                        ...steps,
                        {
                          id: `${steps.length}`,
                          words: test.words,
                          minutes: test.minutes,
                          answer: answerTo(given, test.id, faults) ? test.yes : test.no,
                        },
                      ])
                    }
                  >
                    <span className="min-w-0 flex-1">{test.words}</span>
                    <span className="font-mono text-xs">{test.minutes} min</span>
                  </Button>
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Mends">
            <Heading>Mend</Heading>
            <ul>
              {given.suspects
                .filter(({ id }) => !mended.includes(id))
                .map(({ id, words, mend, mendMin }) => (
                  <li key={id} className="border-b py-1">
                    <Button
                      className="w-full justify-start text-left"
                      onClick={() => {
                        const hit = faults.includes(id);
                        setMended([...mended, id]);
                        setSteps([
                          ...steps,
                          {
                            id: `${steps.length}`,
                            words: mend,
                            minutes: mendMin,
                            answer: hit
                              ? faults.length > 1
                                ? 'that was one; it still fails'
                                : 'that was it'
                              : 'it did not help',
                          },
                        ]);
                      }}
                    >
                      <span className="min-w-0 flex-1">
                        {mend} <span className="font-normal text-soft">({words})</span>
                      </span>
                      <span className="font-mono text-xs">{mendMin} min</span>
                    </Button>
                  </li>
                ))}
            </ul>
          </section>
        </div>
      )}
      {best && (
        <>
          <p role="status" className="max-w-3xl border-2 border-good p-3 font-semibold text-base">
            Found in {minutes} min.{' '}
            {best.proven
              ? `The way with the least expected minutes takes ${best.minutes} here${minutes < best.minutes ? ': you had luck, or a hunch' : minutes === best.minutes ? ': as fast as it goes' : ''}.`
              : `A good way, looking for one after the other, takes ${best.minutes}; with two faults none is proven best.`}
          </p>
          <Way title="The way by the odds, and why" steps={best.steps.map((one, at) => ({ ...one, id: String(at) }))} />
          <p className="max-w-3xl text-[13px] text-soft">
            It asks first what is cheap and parts the likely suspects, and mends at once what is likelier and quicker to
            change than to test. The odds are the rule of thumb of Trouble.
          </p>
        </>
      )}
    </Scroll>
  );
}

const Way = ({ title, steps }: { title: string; steps: readonly Step[] }) => (
  <section aria-label={title}>
    <Heading>{title}</Heading>
    <ol className="max-w-3xl list-inside list-decimal text-[13px]">
      {steps.map(({ id, words, minutes, answer }) => (
        <li key={id} className="border-b py-0.5">
          {words} <b>{answer}</b> <span className="font-mono text-xs">{minutes} min</span>
        </li>
      ))}
    </ol>
  </section>
);
