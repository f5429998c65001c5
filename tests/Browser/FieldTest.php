<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;

/** Counts every press of a finger on the page. */
function countTaps(Tests\BrowserCase $case): void
{
    $case->script('window.taps = 0; addEventListener("click", (event) => { if (event.isTrusted) window.taps++; }, true);');
}

it('takes ten taps for ten clean passes, two for help, and two for a problem', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(360, 740);
    $this->goTo('/check/overhand');
    $this->see('Tail: ');
    countTaps($this);
    $names = array_slice($this->script('return [...document.querySelectorAll("[data-learner]")].map((one) => one.dataset.learner)'), 0, 13);
    foreach (array_slice($names, 0, 10) as $name) {
        $this->named("$name: clean pass")->click();
        $this->see("$name: Has it");
    }
    expect($this->script('return window.taps'))->toBe(10);
    // Who is done stays where they stood: the next tap hits whom it was meant for.
    $this->allSent();
    $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("[data-learner]")].filter((one) => one.textContent.includes("nothing open")).length') >= 10, 'the ten done');
    expect(array_slice($this->script('return [...document.querySelectorAll("[data-learner]")].map((one) => one.dataset.learner)'), 0, 13))->toBe($names);
    $this->lookCloser($names[10]);
    $this->named('With help')->click();
    $this->see("$names[10]: With help");
    expect($this->script('return window.taps'))->toBe(12);
    $this->lookCloser($names[11]);
    $this->named('Tail too short')->click();
    $this->see("$names[11]: Feed tail");
    expect($this->script('return window.taps'))->toBe(14);
    // The last ten can be taken back one by one, also after a reload.
    $this->goTo('/check/overhand');
    for ($n = 0; $n < 10; $n++) {
        $this->wait(fn (): ?bool => $this->script('const undo = [...document.querySelectorAll("button")].find((one) => one.textContent.trim() === "Undo"); if (!undo || undo.disabled) return null; const before = document.querySelector("[role=status] strong")?.textContent; undo.click(); return true;'), 'an undo');
        $this->wait(fn (): ?bool => $this->script('return Number(JSON.parse(sessionStorage.getItem("compadre-undo")).done.length)') === 9 - $n ? true : null, 'taken back');
    }
    $this->allSent();
    $left = array_sum(array_map(fn (array $learner): int => ($learner['marks']['overhand']['day'] ?? '') === $this->fetched('/api/house')['today'] ? 1 : 0, $this->fetched('/api/crew')['learners']));
    expect($left)->toBe(2);
    $this->noConsoleErrors();
});

it('names a mistake by its picture, rings it, and passes a form that is as good', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(390, 844);
    $this->goTo('/check/square-knot');
    $this->see('Tail: ');
    $this->lookCloser('Cleo M.');
    $this->named('Tying not right')->click();
    // Written down already: two taps.
    $this->wait(fn (): ?bool => $this->resultsOf('square-knot') >= 1 ? true : null, 'the result');
    $this->see('written down as tie again');
    $this->wait(fn (): ?bool => $this->script('return document.querySelectorAll("[role=dialog] fieldset button svg").length') >= 3 ? true : null, 'the pictures');
    $this->script('[...document.querySelectorAll("[role=dialog] fieldset button")].find((one) => one.textContent.startsWith("Lumpy")).click()');
    $this->see('Undo the second half and start it with the other hand');
    expect($this->script('return document.querySelectorAll("[role=dialog] circle").length'))->toBeGreaterThan(0);
    $this->named('That will do')->click();
    $this->wait(fn (): ?bool => $this->script('return document.querySelector("[role=dialog]") === null') ? true : null, 'the sheet gone');
    $cleo = array_column($this->fetched('/api/crew')['learners'], 'id', 'name')['Cleo M.'];
    $named = fn (): array => array_values(array_filter($this->fetched("/api/learners/$cleo")['history'], fn (array $entry): bool => $entry['mistake'] === 'granny-knot' && ! $entry['taken_back'] && $entry['day'] === $this->fetched('/api/house')['today']));
    $this->wait(fn (): ?bool => count($named()) === 1 ? true : null, 'the mistake in the history');

    $this->lookCloser('Finn O.');
    $this->named('Tying not right')->click();
    $this->see('As good: it passes');
    $this->accessible('the pictures of what it may be');
    $this->script('[...document.querySelectorAll("[role=dialog] fieldset button")].find((one) => one.textContent.startsWith("The same in the other hand")).click()');
    $this->see('Finn O.: Has it');
});

it('asks three questions at the most about something else, and says what is left', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/bowline');
    $this->see('Tail: ');
    $this->lookCloser('Ada P.');
    $this->named('Tying not right')->click();
    $this->named('Something else')->click();
    for ($asked = 1; $asked <= 3; $asked++) {
        $this->see("Question $asked of 3");
        expect($this->script('return document.querySelectorAll("[role=dialog] [role=group] circle").length'))->toBe(1);
        $this->named('No, the other way')->click();
        if (str_contains($this->text(), 'It may be this:')) {
            break;
        }
    }
    $this->see('It may be this:');
    expect($asked)->toBeLessThanOrEqual(3);
    $this->find('[role=dialog] [role=group] button')->click();
    $this->see('Ada P.: Tie again');
    $ada = array_column($this->fetched('/api/crew')['learners'], 'id', 'name')['Ada P.'];
    $this->wait(fn (): ?bool => array_filter($this->fetched("/api/learners/$ada")['history'], fn (array $entry): bool => $entry['knot'] === 'bowline' && ! $entry['taken_back'] && $entry['note'] !== null) !== [] ? true : null, 'what was found, as a note');
});

it('takes the time of a knot by its stopwatch, or as it is typed in', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(390, 844);
    $this->goTo('/check/square-knot');
    $this->see('Tail: ');
    $crew = array_column($this->fetched('/api/crew')['learners'], 'id', 'name');
    $took = fn (string $name): ?float => collect($this->fetched("/api/learners/$crew[$name]")['history'])->firstWhere('took_s', '!==', null)['took_s'] ?? null;
    $this->lookCloser('Ada P.');
    $this->named('Start')->click();
    usleep(1_200_000);
    $this->named('Stop')->click();
    $this->named('The rest is right')->click();
    $this->named('Record')->click();
    $this->see('Ada P.: Has it');
    $this->wait(fn (): ?bool => $took('Ada P.') !== null ? true : null, 'the time in the history');
    expect($took('Ada P.'))->toBeGreaterThan(1.0)->toBeLessThan(30.0);
    $this->lookCloser('Bram K.');
    $this->fill('Time, if you want it', '9,5');
    $this->accessible('the check, with its time');
    $this->named('The rest is right')->click();
    $this->named('Record')->click();
    $this->see('Bram K.: Has it');
    $this->wait(fn (): ?bool => $took('Bram K.') === 9.5 ? true : null, 'the time that was typed in');
    $this->goTo("/crew/{$crew['Bram K.']}");
    $this->see('In 9.5 s.');
    $this->noConsoleErrors();
});

it('takes a walk-in without a network, and checks them before anyone knows them', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/bowline');
    $this->see('Tail: ');
    $this->workerInCharge();
    $this->offline(true);
    $this->named('Someone new')->click();
    $this->press('Pip L.');
    $this->named('Add')->click();
    $this->named('Pip L.: clean pass')->click();
    $this->see('Pip L.: Has it');
    // Loaded anew, still without a network.
    $this->visit('/check/bowline');
    $this->named('Pip L.: clean pass');
    $this->see('1 check and 1 note of the evening wait');
    $this->offline(false);
    $this->allSent();
    $found = array_values(array_filter($this->fetched('/api/crew')['learners'], fn (array $learner): bool => $learner['name'] === 'Pip L.'));
    expect($found)->toHaveCount(1)->and($found[0]['marks']['bowline']['verdict'])->toBe('has_it');
});

it('goes by learner, finds by first letters, and shows only who needs it', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/of');
    $this->see('Who is in front of you?');
    $this->find('input')->sendKeys('br');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Bram K.');
    $this->wait(fn (): ?bool => $this->script('return document.querySelectorAll("[data-knot]").length') > 1 ? true : null, 'what is open');
    $this->accessible('one learner');
    $knot = $this->script('return document.querySelector("[data-knot] strong").firstChild.textContent');
    $stood = $this->script('return [...document.querySelectorAll("[data-knot]")].map((one) => one.dataset.knot)');
    $this->named("$knot: clean pass")->click();
    $this->see('Bram K., ');
    // What is done stays where it stood.
    $this->allSent();
    $this->until(fn (): bool => str_contains((string) $this->find('[data-knot]')->getText(), 'nothing open'), 'the knot done');
    expect($this->script('return [...document.querySelectorAll("[data-knot]")].map((one) => one.dataset.knot)'))->toBe($stood);
    $this->goTo('/check/square-knot');
    $this->see('Tail: ');
    $all = $this->script('return document.querySelectorAll("[data-learner]").length');
    $this->named('Only who needs it')->click();
    $needing = $this->script('return document.querySelectorAll("[data-learner]").length');
    expect($needing)->toBeLessThan($all)->toBeGreaterThan(0);
    $this->named('Only who needs it')->click();
    $this->find('input[aria-label^=Find]')->sendKeys('cle');
    expect($this->script('return [...document.querySelectorAll("[data-learner]")].map((one) => one.dataset.learner)'))->toBe(['Cleo M.']);
    $this->press(WebDriverKeys::ENTER);
    $this->see('Said what it is for');
});

it('decides otherwise with a reason, and shows the result that met a requirement', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/square-knot');
    $this->see('Tail: ');
    $this->lookCloser('Cleo M.');
    $this->named('Not dressed')->click();
    $this->see('Cleo M.: Tidy it');
    $this->goTo('/crew');
    $this->named('Cleo M.')->click();
    $this->see('History');
    $this->script('[...document.querySelectorAll("li button")].find((one) => one.textContent.startsWith("Decide otherwise: Square knot")).click()');
    $this->script('[...document.querySelectorAll("[role=dialog] [role=radiogroup][aria-label=Dressing] [role=radio]")].find((one) => one.value === "yes").click()');
    $this->field('Why')->sendKeys('I looked at the back only.');
    $this->named('Decide')->click();
    $this->see('decided otherwise');
    $this->see('I looked at the back only.');
    $page = $this->fetched('/api/learners/'.array_column($this->fetched('/api/crew')['learners'], 'id', 'name')['Cleo M.']);
    expect($page['marks']['square-knot']['level'])->toBe('has_it');
    $this->accessible('a learner');
});

it('reads a board of forty by forty, sifts it, and prints', function (): void {
    $this->house();
    $this->within('$g = App\Models\Group::query()->first(); $knots = array_keys(array_filter(app(Compadre\Core\Knots\Library::class)->all(), fn ($k) => $k->isTaught())); foreach (range(1, 24) as $n) { $l = app(App\Crew\AddLearners::class)($g, [Compadre\Core\Data\Fields::of(["name" => "Nell $n", "age_band" => "11-13"])])[0]; foreach ($knots as $k) { App\Models\Standing::query()->insert(["learner_id" => $l->id, "knot" => $k, "group_id" => $g->id, "level" => "has_it", "verdict" => "has_it", "tying" => "yes", "dressing" => "yes", "tail" => "yes", "prompts" => 0, "day" => "2026-01-05", "event_id" => $l->id, "two_leaders" => false, "has_it_since" => "2026-01-05", "half_life_days" => 7, "last_day" => "2026-01-05"]); } }');
    $this->signIn();
    $this->goTo('/crew');
    $this->see('Nell 24');
    $heads = fn (): int => (int) $this->script('return document.querySelectorAll("[data-testid=board] thead th").length');
    $this->until(fn (): bool => $heads() > 36, 'a column for each of more than 34 knots');
    $columns = $heads() - 2;
    // From far, all of it lies on the screen; the heads stay when it is scrolled.
    expect($this->script('return document.querySelector("[data-testid=board]").offsetWidth <= 1.25 * document.querySelector("main").clientWidth'))->toBeTrue();
    $this->script('document.querySelector("[data-testid=board]").parentElement.scrollTop = 600');
    expect($this->script('const region = document.querySelector("[data-testid=board]").parentElement.getBoundingClientRect(); const head = document.querySelector("[data-testid=board] thead th:nth-child(3)").getBoundingClientRect(); return head.top >= region.top - 1 && head.bottom < region.bottom'))->toBeTrue();
    $this->accessible('the large board');
    $this->set($this->field('Badge'), 'lantern-hand');
    $this->until(fn (): bool => $heads() > 2 && $heads() < $columns, 'the badge’s knots alone');
    $this->set($this->field('Badge'), '');
    $this->set($this->field('Who needs'), 'bowline');
    $this->see('it: ');
    $this->until(fn (): bool => $heads() === 3, 'one column of a knot');
    expect($this->pagesPrinted())->toBeLessThanOrEqual(3);
});

it('prints a pocket list, and takes it in by arrows and 1, 2, 3', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/pocket?knots=overhand,square-knot');
    $this->find('[data-testid=pocket]');
    expect($this->pagesPrinted())->toBe(1);
    $this->script('document.querySelector(\'[data-cell="0 0"]\').focus()');
    $this->press('1', '2', '3');
    $this->see('3 checks typed in.');
    $this->press(WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_RIGHT, '1');
    $this->see('4 checks typed in.');
    $this->press(WebDriverKeys::ARROW_UP, '0');
    $this->see('3 checks typed in.');
    $this->allSent();
    $learners = $this->fetched('/api/crew')['learners'];
    $today = $this->fetched('/api/house')['today'];
    $verdicts = array_map(fn (array $learner): ?string => ($learner['marks']['overhand']['day'] ?? '') === $today ? $learner['marks']['overhand']['verdict'] : null, array_slice($learners, 0, 4));
    expect($verdicts)->toBe(['has_it', 'with_help', 'tie_again', null]);
    expect($learners[2]['marks']['square-knot']['day'] ?? null)->not->toBe($today);
    $this->accessible('the pocket list');
});
