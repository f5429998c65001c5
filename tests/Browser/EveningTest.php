<?php

declare(strict_types=1);

const CALL_TONIGHT_OFF = <<<'PHP'
    App\Models\Meeting::query()->where('date', App\Models\Group::query()->sole()->today())->update(['cancelled_at' => now()]);
    PHP;

it('begins an evening nobody planned without a network, and hands it in as it was', function (): void {
    $this->house();
    $this->within(CALL_TONIGHT_OFF);
    $this->screen(390, 844);
    $this->signIn();
    $this->see('Start an evening now');
    $this->workerInCharge();
    $kept = fn (): bool => $this->script('return localStorage.getItem("compadre-group-kept") !== null') === true;
    $this->until($kept, 'the group kept on the device', 90);
    $this->offline(true);
    $this->named('Start an evening now')->click();
    $this->see('without a network');
    $this->see('0 of 16 here');
    $this->named('Ada P., here or away')->click();
    $this->see('1 of 16 here');
    $here = $this->script('return location.pathname');
    $this->goTo('/check/bowline');
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
    $this->see('1 check and 3 notes of the evening wait');
    // A reload, still without a network: the app opens on it again.
    $this->visit('/');
    $this->see('1 of 16 here');
    expect($this->script('return location.pathname'))->toBe($here);
    $this->accessible('an evening begun on the device');
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->allSent();
    $meeting = basename((string) $here);
    $this->until(fn (): bool => $this->fetched('/api/me')['tonight'] === $meeting, 'the evening on the server');
    $this->until(fn (): bool => ($this->fetched("/api/meetings/$meeting")['clock']['started_at'] ?? null) !== null, 'its clock');
    $sheet = $this->fetched("/api/meetings/$meeting");
    expect(array_column($sheet['roll'], 'present', 'name')['Ada P.'])->toBeTrue();
    expect($sheet['meeting']['results'])->toBe(1);
    $this->until(fn (): bool => ! str_contains($this->text(), 'without a network') && str_contains($this->text(), '1 of 16 here'), 'the server’s own sheet');
    $this->named('End the meeting')->click();
    $this->see('How it went');
});

it('moves a learner and takes a station without a network, and the server has it as it was shown', function (): void {
    $this->house();
    $this->signIn();
    $this->see('0 of 16 here');
    $this->workerInCharge();
    $this->until(fn (): bool => $this->script('return localStorage.getItem("compadre-group-kept") !== null') === true, 'the group kept on the device', 90);
    $meeting = basename((string) $this->script('return location.pathname'));
    $this->offline(true);
    $this->named('Start the meeting')->click();
    $this->see('Now: Welcome');
    $running = fn (): string => (string) $this->script('return document.querySelector("[data-testid=running]")?.textContent ?? ""');
    foreach (range(1, 9) as $_) {
        $before = $running();
        $this->named('Next')->click();
        $this->until(fn (): bool => $running() !== $before, 'the next block');
        if (str_contains($running(), 'Move somebody')) {
            break;
        }
        // A second tap of a cold finger is no second step.
        usleep(600_000);
    }
    $this->named('I lead this')->click();
    $this->until(fn (): bool => str_contains($running(), 'Led by Maren Holt'), 'who leads it');
    $stations = $running();
    $this->named('Move somebody')->click();
    $this->find('[role=menuitem]')->click();
    $this->until(fn (): bool => $running() !== $stations && ! str_contains($this->text(), 'menuitem'), 'the learner at the other station');
    $who = fn (): array => $this->script('return [...document.querySelectorAll("[data-testid=running] [data-testid=station]")].map((one) => one.textContent)');
    // The same by a drag; let go where no station is, a name stays where it was.
    $at = fn (): array => $this->script('return [...document.querySelectorAll("[data-testid=running] [data-testid=station]")].map((one) => [...one.querySelectorAll("[data-testid=chip]")].map((chip) => chip.textContent.trim()).sort())');
    $before = $at();
    expect($before)->toHaveCount(2);
    $from = count($before[0]) > count($before[1]) ? 0 : 1;
    $station = fn (int $number): string => '[data-testid=running] [data-testid=station]:nth-child('.($number + 1).')';
    $drag = fn (int $from, string $to) => $this->browser->action()->moveToElement($this->find($station($from).' [data-testid=chip]'))->clickAndHold()->moveByOffset(0, 12)->moveToElement($this->find($to))->release()->perform();
    $drag($from, $station(1 - $from));
    $this->until(fn (): bool => count($at()[$from]) === count($before[$from]) - 1, 'one name fewer at that station');
    $after = $at();
    expect(array_values(array_diff($after[1 - $from], $before[1 - $from])))->toBe(array_values(array_diff($before[$from], $after[$from])))->toHaveCount(1);
    $drag(1 - $from, 'h1');
    expect($at())->toBe($after);
    $shown = $who();
    expect($shown)->toHaveCount(2);
    $this->visit('/');
    $this->until(fn (): bool => $who() === $shown, 'the same after a reload');
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->allSent();
    $this->until(fn (): bool => count($this->fetched("/api/meetings/$meeting")['leads']) === 1, 'who leads, on the server');
    $this->until(fn (): bool => $this->script('return new Promise((done) => { const open = indexedDB.open("compadre"); open.onsuccess = () => { const all = open.result.transaction("places").objectStore("places").count(); all.onsuccess = () => done(all.result); }; })') === 0, 'nothing waiting');
    $this->until(fn (): bool => $who() === $shown, 'the server to have it so');
});
