<?php

declare(strict_types=1);

use Compadre\Core\Compute\VerdictOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Teaching\Run\Clock;
use Compadre\Core\Teaching\Run\ClockBlock;
use Compadre\Core\Teaching\Run\ClockStep;
use Symfony\Component\Process\Process;
use Tests\TestHouse;

/** The app's own modules, as one script for the page. */
function modules(): string
{
    static $script = null;
    if ($script === null) {
        $file = dirname(__DIR__, 2).'/.build/log/modules.js';
        (new Process(['npx', '--no-install', 'rolldown', 'tests/Browser/modules.ts', '--format', 'iife', '--name', 'modules', '-o', $file], dirname(__DIR__, 2), timeout: TestHouse::PATIENCE))->mustRun();
        $script = file_get_contents($file).';';
    }

    return $script;
}

it('looks up without a network, for every knot and every row, what `compute verdict` says', function (): void {
    $this->house();
    $this->signIn();
    $knots = array_column(array_filter($this->fetched('/api/knots')['knots'], fn (array $knot): bool => ! ($knot['is_mistake'] ?? false)), 'id');
    $this->browser->manage()->timeouts()->setScriptTimeout(150);
    $found = $this->asyncScript(modules().<<<'JS'
        const done = arguments[arguments.length - 1];
        const looked = ['yes', 'no', 'not_looked'];
        (async () => {
          const all = {};
          for (const id of arguments[0]) {
            const sheet = await (await fetch(`/api/check/${id}`)).json();
            const rows = [];
            const ask = (parts) => rows.push([parts, modules.lookUp(sheet, { kind: 'result', ...parts })]);
            for (const tying of looked) for (const dressing of sheet.knot.has_dressing ? looked : ['not_applicable']) for (const prompts of [0, 1, 2]) {
              for (const tail of sheet.knot.has_tail ? looked : ['not_applicable']) for (const test of sheet.knot.test === '' ? ['not_looked'] : ['not_looked', 'no']) ask({ tying, dressing, tail, prompts, test, how: 'attested' });
            }
            // A measured tail: on either side of both lines, for each way of measuring.
            for (const [by, lines] of Object.entries(sheet.limits ?? {})) for (const line of lines) for (const off of [-0.6, 0.6]) {
              const measured_mm = Math.round((line + off) * 10) / 10;
              if (measured_mm > 0) for (const tail of looked) ask({ tying: 'yes', dressing: sheet.knot.has_dressing ? 'yes' : 'not_applicable', tail, prompts: 0, how: 'measured', measured_mm, measured_by: by, rope: sheet.in_hand });
            }
            all[id] = { rows, table: Object.keys(sheet.verdicts).length };
          }
          done(all);
        })();
        JS, [$knots]);
    expect(array_keys($found))->toEqualCanonicalizing($knots);
    $packs = dirname(__DIR__, 2).'/packs';
    $verdict = new VerdictOperation(Library::at($packs), TailRule::fromPack(Fields::of(Json::arrays(Json::file("$packs/materials/rope.json")))));
    $measured = 0;
    foreach ($found as $knot => ['rows' => $rows, 'table' => $table]) {
        expect(count(array_filter($rows, fn (array $row): bool => $row[0]['how'] === 'attested')))->toBe($table, "every row of the $knot");
        foreach ($rows as [$parts, $row]) {
            $answer = $verdict->run(Fields::of(['knot' => $knot, 'now' => '2026-11-24'] + $parts));
            $name = $knot.' '.Json::write($parts);
            expect($row['verdict'])->toBe($answer['verdict'], $name);
            // How far a measured tail is off is said by the server.
            if ($parts['how'] === 'attested') {
                expect($row['next'])->toBe($answer['next'], $name);
            } else {
                $measured++;
            }
        }
    }
    expect($measured)->toBeGreaterThan(500);
});

it('runs the evening on the device as the core does', function (): void {
    mt_srand(11);
    $cases = [];
    $expected = [];
    foreach (range(1, 120) as $case) {
        $planned = array_map(fn (int $n): array => ['knot' => mt_rand(0, 2) === 0 ? null : "knot-$n", 'minutes' => mt_rand(10, 250) / 10], range(1, mt_rand(1, 7)));
        $at = new DateTimeImmutable('2026-11-24 18:45:00 UTC');
        $clock = Clock::start($planned, $at);
        $steps = [['step' => 'start', 'at' => $at->getTimestamp() * 1000, 'state' => 'waiting', 'shown' => array_map(fn (array $one): array => $one + ['kind' => $one['knot'] === null ? 'welcome' : 'new', 'why' => '', 'beside' => [], 'learners' => []], $planned)]];
        foreach (range(1, mt_rand(1, 14)) as $ignored) {
            // Now and then the device's clock goes back.
            $at = $at->modify(sprintf('%+d seconds', mt_rand(0, 5) === 0 ? -mt_rand(1, 1200) : mt_rand(0, 900)));
            $step = ['next', 'next', 'next', 'skip', 'carry', 'split', 'end'][mt_rand(0, 100) === 0 ? 6 : mt_rand(0, 5)];
            // Mostly the block that runs, sometimes any, sometimes one that is not there.
            $running = array_values(array_filter($clock->blocks, fn (ClockBlock $one): bool => $one->state->value === 'running'))[0] ?? $clock->blocks[0];
            $place = mt_rand(0, 3) > 0 ? $running->place : (mt_rand(0, 4) > 0 ? $clock->blocks[array_rand($clock->blocks)]->place : 7);
            $steps[] = ['step' => $step, 'place' => $place, 'at' => $at->getTimestamp() * 1000, 'state' => 'waiting'];
            if ($clock->endedAt === null) {
                try {
                    $clock = $step === 'end' ? $clock->end($at) : $clock->step(ClockStep::from($step), $place, $at);
                } catch (Refusal) {
                    // The server says so; nothing changes on the device either.
                }
            }
        }
        $cases[] = $steps;
        $time = fn (?DateTimeImmutable $moment): ?string => $moment?->format('Y-m-d\TH:i:s\Z');
        $expected[] = [$time($clock->startedAt), $time($clock->endedAt), array_map(fn (ClockBlock $one): array => [$one->place, $one->knot, (float) $one->planned, $one->state->value, $time($one->startedAt), $time($one->endedAt)], $clock->blocks)];
    }
    $this->house();
    $this->visit('/');
    $got = $this->asyncScript(modules().<<<'JS'
        arguments[arguments.length - 1](arguments[0].map((steps) => {
          const { clock } = modules.withSteps({ clock: { now: '', started_at: null, ended_at: null, blocks: [] } }, steps);
          return [clock.started_at, clock.ended_at, clock.blocks.map((one) => [one.place, one.knot, one.planned, one.state, one.started_at, one.ended_at])];
        }));
        JS, [$cases]);
    foreach ($expected as $number => $one) {
        expect($got[$number])->toEqual($one, Json::write($cases[$number]));
    }
    expect(count(array_filter($expected, fn (array $one): bool => count($one[2]) > 7)))->toBeGreaterThan(3);
});

it('knows the hour and the day by what the server last said, and by nothing that was kept', function (): void {
    $this->house();
    $this->visit('/');
    [$off, $after, $kept, $tonight, $same] = $this->asyncScript(modules().<<<'JS'
        const answer = (seconds, path, more = {}) => {
          const response = new Response('', { headers: { Date: new Date(Date.now() + 1000 * seconds).toUTCString(), ...more } });
          Object.defineProperty(response, 'url', { value: location.origin + path });
          return response;
        };
        const off = () => Math.round((modules.serverNow() - Date.now()) / 60000);
        modules.noteTime(answer(3 * 3600, '/api/me'));
        const first = off();
        // A second or two are the way here; what was kept is from another hour, and knots may be too.
        modules.noteTime(answer(3 * 3600 + 1, '/api/crew'));
        modules.noteTime(answer(-7200, '/api/meetings/1', { 'X-Kept': 'yes' }));
        modules.noteTime(answer(-7200, '/api/knots'));
        const second = off();
        const day = (days) => new Date(modules.serverNow() + days * 86400000).toISOString().slice(0, 10);
        const me = { today: day(-4), tonight: 'long ago', ahead: [{ id: 'a', date: day(-4) }, { id: 'b', date: day(0) }, { id: 'c', date: day(3) }], group: { time_zone: 'UTC' } };
        arguments[arguments.length - 1]([first, second, localStorage.getItem('compadre-skew') > 10000000, modules.meToday(me).tonight, modules.meToday({ ...me, today: day(0) }).tonight]);
        JS);
    expect($off)->toBe(180)->and($after)->toBe(180)->and($kept)->toBeTrue();
    // An answer of four days ago still knows tonight's meeting; one of today is taken at its word.
    expect($tonight)->toBe('b')->and($same)->toBe('long ago');
});
