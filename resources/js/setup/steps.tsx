import { X } from 'lucide-react';
import { useState } from 'react';
import * as limits from '../api/limits';
import { BANDS, namesIn } from '../crew/AddLearners';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { AreaField, NewPasswordField, optionsOf, SelectField, TextField } from '../ui/Field';
import { dayLong, dayShort } from '../words/format';
import { words } from '../words';
import { type Answers, weekly } from './answers';

export type Step = { answers: Answers; set: (part: Partial<Answers>) => void };
type FirstStep = Step & { isPlace: boolean };

const zones = Intl.supportedValuesOf('timeZone');
const materials = optionsOf(words.materials);

/** The code that whoever sits where Compadre was started reads there, or that came in the link of a place in a house of many groups. */
export function SetUpCode({
  value,
  onText,
  isPlace,
}: {
  value: string;
  onText: (text: string) => void;
  isPlace: boolean;
}) {
  return (
    <TextField
      label={words.setup.code}
      hint={isPlace ? words.setup.codeOfPlace : words.setup.codeAbout}
      required
      {...limits.SetUp.code}
      autoComplete="off"
      autoCapitalize="characters"
      spellCheck={false}
      value={value}
      onChange={(event) => onText(event.target.value)}
    />
  );
}

export function GroupStep({ answers, set, isPlace }: FirstStep) {
  const zone = zones.includes(answers.zone) ? zones : [answers.zone, ...zones];
  return (
    <>
      <SetUpCode isPlace={isPlace} value={answers.code} onText={(code) => set({ code })} />
      <TextField
        label={words.setup.group}
        required
        {...limits.SetUp.group.name}
        value={answers.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label={words.setup.from}
          type="number"
          {...limits.SetUp.group.age_from}
          required
          value={answers.from}
          onChange={(event) => set({ from: event.target.value })}
        />
        <TextField
          label={words.setup.to}
          type="number"
          {...limits.SetUp.group.age_to}
          required
          value={answers.to}
          onChange={(event) => set({ to: event.target.value })}
        />
      </div>
      <SelectField
        label={words.setup.zone}
        options={zone.map((one) => [one, one.replaceAll('_', ' ')])}
        value={answers.zone}
        onChange={(event) => set({ zone: event.target.value })}
      />
      <div>
        <p className="mb-1 font-semibold">{words.setup.units}</p>
        <Choice
          label={words.setup.units}
          value={answers.units}
          onChange={(units) => set({ units })}
          options={[
            ['mm', words.setup.mm],
            ['inches', words.setup.inches],
          ]}
        />
      </div>
    </>
  );
}

export function YouStep({ answers, set, isPlace }: FirstStep) {
  return (
    <>
      <p className="text-soft">
        {words.setup.you} {isPlace && words.setup.youAlready}
      </p>
      <TextField
        label={words.join.name}
        required
        {...limits.NewPerson.name}
        autoComplete="name"
        value={answers.person}
        onChange={(event) => set({ person: event.target.value })}
      />
      <TextField
        label={words.signIn.email}
        type="email"
        required
        autoComplete="username"
        value={answers.email}
        onChange={(event) => set({ email: event.target.value })}
      />
      <NewPasswordField
        hint={words.join.passwordHint}
        value={answers.password}
        onText={(password) => set({ password })}
      />
    </>
  );
}

export function LearnersStep({ answers, set }: Step) {
  return (
    <>
      <AreaField
        label={words.setup.learners}
        rows={9}
        required
        hint={`${words.setup.learnersHelp} ${words.setup.found({ n: namesIn(answers.learners).length })}.`}
        value={answers.learners}
        onChange={(event) => set({ learners: event.target.value })}
      />
      <SelectField label={words.setup.band} options={BANDS} value={answers.band} onPick={(band) => set({ band })} />
    </>
  );
}

export function RopeStep({ answers, set }: Step) {
  return (
    <>
      <h2 className="text-xl">{words.setup.rope}</h2>
      <TextField
        label={words.setup.ropeName}
        required
        {...limits.SetUp.rope.name}
        value={answers.rope}
        onChange={(event) => set({ rope: event.target.value })}
      />
      <TextField
        label={words.setup.diameter}
        inputMode="decimal"
        required
        value={answers.diameter}
        onChange={(event) => set({ diameter: event.target.value })}
      />
      <SelectField
        label={words.setup.material}
        options={materials}
        value={answers.material}
        onPick={(material) => set({ material })}
      />
    </>
  );
}

export function MeetingsStep({ answers, set }: Step) {
  const [first, setFirst] = useState(answers.dates[0] ?? '');
  const [times, setTimes] = useState('10');
  const [more, setMore] = useState('');
  return (
    <>
      <div className="grid grid-cols-[1fr_6rem_auto] items-end gap-3">
        <TextField
          label={words.setup.every}
          type="date"
          value={first}
          onChange={(event) => setFirst(event.target.value)}
        />
        <TextField
          label={words.setup.times}
          type="number"
          min={1}
          max={limits.SetUp.meetings.dates.most}
          value={times}
          onChange={(event) => setTimes(event.target.value)}
        />
        <Button onClick={() => set({ dates: weekly(first, Number(times)) })}>{words.setup.make}</Button>
      </div>
      <h2 className="text-xl">{words.setup.dates}</h2>
      {answers.dates.length === 0 && <p className="text-soft">{words.setup.noDates}</p>}
      <ul className="flex flex-wrap gap-2">
        {answers.dates.map((date) => (
          <li key={date} className="flex items-center rounded-lg border border-line bg-card pl-3" title={dayLong(date)}>
            {dayShort(date)}
            <button
              type="button"
              aria-label={words.setup.remove({ day: dayLong(date) })}
              className="grid size-12 place-items-center"
              onClick={() => set({ dates: answers.dates.filter((one) => one !== date) })}
            >
              <X aria-hidden className="size-4" />
            </button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <TextField
          label={words.setup.oneMore}
          type="date"
          value={more}
          onChange={(event) => setMore(event.target.value)}
        />
        <Button
          disabled={more === '' || answers.dates.includes(more)}
          onClick={() => {
            set({ dates: [...answers.dates, more].sort() });
            setMore('');
          }}
        >
          {words.setup.add}
        </Button>
      </div>
      <div className="grid grid-cols-3 gap-3">
        <TextField
          label={words.course.startsAt}
          type="time"
          required
          value={answers.startsAt}
          onChange={(event) => set({ startsAt: event.target.value })}
        />
        <TextField
          label={words.course.howLong}
          type="number"
          required
          value={answers.minutes}
          onChange={(event) => set({ minutes: event.target.value })}
        />
        <TextField
          label={words.course.checkers}
          type="number"
          required
          value={answers.checkers}
          onChange={(event) => set({ checkers: event.target.value })}
        />
      </div>
    </>
  );
}
