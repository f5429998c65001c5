<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\LaysRope;

uses(LaysRope::class);

/** @return list<string> what the corner has put away on this device */
function keptForPractice($test): array
{
    return $test->asyncScript('const done = arguments[arguments.length - 1]; caches.open("corner").then((c) => c.keys()).then((all) => done(all.map((one) => new URL(one.url).pathname)));');
}

beforeEach(function (): void {
    /** A card as a leader makes it, and its code. */
    $this->card = function (): string {
        $this->signIn();
        $this->goTo('/practice-cards');
        $this->named('Make a card for the group')->click();

        return $this->find('[data-testid=card-code]')->getText();
    };
});

it('opens by a scanned card, goes through every knot and every question, and breaks nowhere', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->browser->manage()->getLog('browser');
    $this->screen(360, 740);
    $this->visit("/practice#$code");
    $this->see('Tie this one next');
    // The code is gone from the address.
    $this->until(fn (): bool => str_ends_with($this->browser->getCurrentURL(), '/practice'), 'the bare address');
    $corner = $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).corner');
    expect(count($corner['knots']))->toBeGreaterThan(8);
    $asked = 0;
    foreach ($corner['knots'] as $knot) {
        $this->goTo("/practice/{$knot['id']}");
        $this->wait(fn (): ?bool => $this->script('return document.querySelector("h1")?.textContent') === $knot['name'] ? true : null, $knot['name']);
        $this->see('Tie along');
        $things = $this->script('return [...document.querySelectorAll("main li a")].map((one) => new URL(one.href).pathname)');
        expect(count($things))->toBeGreaterThanOrEqual(3, $knot['id']);
        foreach ($things as $path) {
            $this->goTo($path);
            $kind = basename($path);
            in_array($kind, ['tie', 'draw'], true) || $this->find("[data-kind=$kind] button");
            if ($kind === 'tie') {
                $this->see('Step 1 of');
                $steps = (int) $this->script('return Number(/Step 1 of (\d+)/.exec(document.body.textContent)[1])');
                for ($step = 1; $step < $steps; $step++) {
                    $this->press(WebDriverKeys::ARROW_RIGHT);
                    $this->see('Step '.($step + 1)." of $steps");
                }
                $this->press(WebDriverKeys::ARROW_RIGHT);
                $this->see('How did it go?');
            } elseif ($kind === 'draw') {
                $this->find('[data-testid=table]');
            } elseif ($kind === 'order') {
                $this->see('Tap them in the order');
                foreach (range(1, (int) $this->script('return document.querySelectorAll("main li button").length')) as $n) {
                    $this->script('document.querySelectorAll("main li button")['.($n - 1).'].click()');
                }
                $this->named('Look at it')->click();
                $this->see('Another one');
            } else {
                $this->script('document.querySelector("main button").click()');
                $this->see('Another one');
            }
            $asked++;
            $wide = $this->script('return document.documentElement.scrollWidth');
            expect($wide)->toBe(360, $path);
        }
    }
    expect($asked)->toBeGreaterThan(60);
    $this->noConsoleErrors();
});

it('answers with the reason, ties along, and lets what was easy rest', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->visit('/practice');
    $this->fill('The code on your card', strtolower($code));
    $this->named('Open')->click();
    $this->see('All knots');
    $this->goTo('/practice/square-knot/over-under');
    $this->see('at the ring, does the end go over or under?');
    $right = $this->asyncScript('const done = arguments[arguments.length - 1]; fetch("/api/corner/knots/square-knot?view=learner&method='.rawurlencode((string) $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).corner.knots.find((one) => one.id === "square-knot").method')).'", { headers: { "X-Practice": arguments[0] } }).then((r) => r.json()).then((kit) => done(kit.tasks.find((one) => one.kind === "over-under")));', [$code]);
    $wrong = $right['answer'] === 0 ? 'Under' : 'Over';
    $this->named($wrong)->click();
    $this->see('Not this time.');
    $this->see($right['reason']);
    $this->see('With what you chose');
    $this->see('As it is to be');
    $this->named('Another one')->click();
    $this->see('does the end go over or under?');
    $this->notSee('Not this time.');
    $this->goTo('/practice/overhand/tie');
    $this->see('Step 1 of');
    while (! str_contains($this->text(), 'How did it go?')) {
        $this->press(' ');
    }
    $this->named('Easy')->click();
    $this->see('It can rest for 4 days.');
    $days = $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).days');
    expect($days)->toHaveCount(1)->and($days[0])->toMatchArray(['knot' => 'overhand', 'felt' => 'easy']);
    // The last word of a day counts.
    $this->named('Hard')->click();
    $this->see('It can rest for 2 days.');
    expect($this->script('return JSON.parse(localStorage.getItem("compadre-practice")).days.length'))->toBe(1);
    $this->named('Done')->click();
    $this->see('today');
    // Wiped by one button: nothing of it stays.
    $this->named('What is on this device')->click();
    $this->see('Nobody else sees what you practise.');
    $this->named('Wipe all of it')->click();
    $this->see('The code on your card');
    expect($this->script('return Object.keys(localStorage).filter((one) => one.startsWith("compadre-practice"))'))->toBe([])->and(keptForPractice($this))->toBe([]);
});

it('goes on at a knock on the table, with both hands on the rope', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->visit("/practice/square-knot/tie#$code");
    $this->see('Step 1 of');
    $this->named('Knock')->click();
    $this->see('Nothing is recorded');
    // The beeps go through it, step by step, to its end.
    $this->see('How did it go?');
});

it('works at home without a network once it was opened in the hall, until its card has ended', function (): void {
    $this->house();
    $code = ($this->card)();
    // A device that was never here: the worker comes after the page.
    $this->workerInCharge();
    $this->asyncScript('const done = arguments[arguments.length - 1]; navigator.serviceWorker.getRegistrations().then((all) => Promise.all(all.map((one) => one.unregister()))).then(done);');
    $this->visit("/practice#$code");
    $this->see('All knots');
    $this->wait(fn (): ?bool => $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).full') > 0 ? true : null, 'everything kept', 180);
    expect($this->script('return document.querySelector("link[rel=manifest]").getAttribute("href")'))->toBe('/practice.webmanifest');
    $manifest = $this->fetched('/practice.webmanifest');
    expect($manifest)->toMatchArray(['start_url' => '/practice', 'scope' => '/practice', 'display' => 'standalone']);
    $this->offline(true);
    foreach ($this->script('return JSON.parse(localStorage.getItem("compadre-practice")).corner.knots.map((one) => one.id)') as $knot) {
        $this->visit("/practice/$knot");
        $this->see('Tie along');
    }
    $this->goTo('/practice/square-knot/draw');
    $this->layAsDrawn('square-knot', $code);
    $this->named('What is it?')->click();
    $this->see('That is the square knot.');
    // Unknown to the device: it says where it would have to be asked.
    $this->named('Begin again')->click();
    $this->layAcross();
    $this->named('What is it?')->click();
    $this->see('Ask again with a network.');
    $this->offline(false);
    // The leader ends the card: at the next visit with a network nothing opens.
    $this->visit('/practice-cards');
    $this->named('End it')->click();
    $this->named('End this card')->click();
    $this->see('Make a card for the group');
    $this->visit('/practice');
    $this->see('This card is no longer good.');
    expect(keptForPractice($this))->toBe([]);
});

it('says what a drawn rope is, and rings where it first parts', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->visit("/practice#$code");
    $this->see('All knots');
    $this->goTo('/practice/square-knot/draw');
    $this->layAsDrawn('square-knot', $code, isFlipped: false);
    $this->named('What is it?')->click();
    $this->see('Not the square knot: pulled, it falls apart.');
    expect($this->script('return document.querySelectorAll("[data-testid=table] circle[stroke=\"var(--signal)\"]").length'))->toBe(1);
    $this->named('Begin again')->click();
    expect($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=crossing]')))->toBe([]);
    $this->layAsDrawn('square-knot', $code);
    $this->named('What is it?')->click();
    $this->see('That is the square knot.');
    expect($this->script('return document.querySelectorAll("[data-testid=table] circle[stroke=\"var(--signal)\"]").length'))->toBe(0);
});

it('holds up the code for the room’s own tablets, where an evening is run', function (): void {
    $this->house();
    $this->signIn();
    $this->see('Run sheet');
    $this->named('Practice')->click();
    $this->see('Who waits, practises');
    $this->named('Make a card for the group')->click();
    $code = $this->find('[data-testid=station-code]')->getText();
    $this->find('[role=dialog] [data-testid=qr]');
    expect(array_column($this->fetched('/api/practice/cards')['cards'], 'code'))->toBe([$code]);
    $this->named('Practice cards')->click();
    expect($this->find('[data-testid=card-code]')->getText())->toBe($code);
    $this->visit("/practice#$code");
    $this->see('All knots');
});

it('lays a rope by keys alone', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->visit("/practice#$code");
    $this->see('All knots');
    $this->goTo('/practice/overhand/draw');
    $this->see('space takes the rope up');
    $this->layByKeys('overhand', $code);
    $this->see('3 crossings');
    // Each later pass lies on the one before: it comes apart, until the middle crossing is changed.
    $said = [];
    foreach (range(1, 3) as $crossing) {
        // From the table on, Tab goes from one to the next.
        $this->script('document.querySelector("[data-testid=table]").focus()');
        $this->press(...array_fill(0, $crossing, WebDriverKeys::TAB), ...[WebDriverKeys::ENTER]);
        $this->named('What is it?')->click();
        $said[] = $this->wait(fn (): ?string => $this->find('[data-testid=said]')->getText() ?: null, 'what is said of it');
        $this->script('document.querySelectorAll("[data-testid=crossing]")['.($crossing - 1).'].focus()');
        $this->press(WebDriverKeys::ENTER);
    }
    expect(array_count_values(array_map(static fn (string $one): string => str_contains($one, 'That is the overhand') ? 'the knot' : 'no knot', $said)))->toEqual(['the knot' => 1, 'no knot' => 2]);
});

it('turns to the hand one ties with, on the device alone, and keeps to it', function (): void {
    $this->house();
    $code = ($this->card)();
    $this->visit("/practice#$code");
    $this->see('All knots');
    $this->goTo('/practice/square-knot/tie');
    $this->see('Right over left: lay the right end across the left one.');
    $this->goTo('/practice');
    $this->named('What is on this device')->click();
    $this->named('the left hand')->click();
    $this->until(fn (): bool => $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).corner.view') === 'left', 'the left hand');
    $this->named('Close')->click();
    $this->goTo('/practice/square-knot/tie');
    $this->see('Left over right: lay the left end across the right one.');
    // The card is still the right hand's: what was chosen here holds over a visit anew.
    $this->visit('/practice');
    $this->see('All knots');
    $this->until(fn (): bool => $this->script('return JSON.parse(localStorage.getItem("compadre-practice")).full') > 0, 'everything kept for the left hand', 180);
    $this->offline(true);
    $this->goTo('/practice/square-knot/tie');
    $this->see('Left over right');
    $this->offline(false);
});

it('tells the leaders of a learner’s own days as a hint, where the lead has asked for it', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/practice-cards');
    $this->wait(fn (): ?bool => str_contains($this->text(), 'Ada P.') ?: null, 'the learners to choose from');
    $ada = array_values(array_filter($this->fetched('/api/crew')['learners'], fn (array $one): bool => $one['name'] === 'Ada P.'))[0]['id'];
    $this->fill('Make a card for one learner', $ada);
    $this->named('Make it')->click();
    $code = $this->find('[data-testid=own-card] code')->getText();
    $box = $this->find('[data-testid=own-card] input[type=checkbox]');
    $box->click();
    $this->until(fn (): bool => $this->fetched('/api/practice/cards')['cards'][0]['hints'] === true, 'the hints asked for');
    $this->visit("/practice#$code");
    $this->see('All knots');
    $this->named('What is on this device')->click();
    $this->see('Your leaders see on which days you practised');
    $this->named('Close')->click();
    $this->goTo('/practice/overhand/tie');
    $this->see('Step 1 of');
    while (! str_contains($this->text(), 'How did it go?')) {
        $this->press(' ');
    }
    $this->named('It took some thought')->click();
    $this->until(fn (): bool => $this->fetched("/api/learners/$ada")['practised'] !== [], 'the hint at the leaders’');
    $this->visit("/crew/$ada");
    $this->see('Practised, they say');
    $this->see('It took some thought.');
});

it('sets a knot for home and prints a page for it, and cards to cut out, each on one sheet', function (float $width, float $height): void {
    $this->house();
    $code = ($this->card)();
    // Of letters that are set apart, a reader of the page makes words of their own where some of them stand a little closer.
    $together = fn (string $text): string => str_replace(' ', '', $text);
    $this->until(fn (): bool => (bool) $this->script('const bowline = [...document.querySelectorAll("main li")].find((one) => one.textContent.startsWith("Bowline")); bowline?.querySelector("button").click(); return bowline !== undefined;'), 'the bowline among the knots');
    $this->until(fn (): bool => $this->fetched('/api/practice/cards')['home'] === ['bowline'], 'the bowline set for home');
    $this->visit('/home/bowline');
    $this->see('Where to practise');
    $this->find('[data-testid=handout] [data-testid=qr]');
    [$pages, $text] = $this->printedOn($width, $height);
    expect($pages)->toBe(1)->and($text)->toContain('Bowline')->toContain('Never round a door handle')->toContain('For a parent')->and($together($text))->toContain($code);
    $this->visit('/practice-cards');
    $this->named('Print')->click();
    $this->until(fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=handout] [data-testid=qr]'))) === 8, 'eight cards on the sheet');
    [$pages, $text] = $this->printedOn($width, $height);
    expect($pages)->toBe(1)->and(substr_count($together($text), $code))->toBe(8)->and($text)->not->toContain('Gullwick');
})->with(['A4' => [8.27, 11.69]]);

it('has nothing serious against the corner or its cards on any screen', function (int $width, int $height): void {
    $this->house();
    $code = ($this->card)();
    $this->screen($width, $height);
    $this->visit('/practice-cards');
    $this->see('For home');
    $this->accessibleInBoth('practice cards');
    $this->visit('/practice');
    $this->see('The code on your card');
    $this->accessibleInBoth('the corner’s door');
    $this->visit("/practice#$code");
    $this->see('Tie this one next');
    $this->accessibleInBoth('the corner');
    foreach (['bowline' => 'Tie along', 'bowline/tie' => 'Step 1 of', 'bowline/over-under' => 'at the ring', 'bowline/spot' => 'Which of these', 'bowline/where' => 'Which crossing', 'bowline/order' => 'In which order', 'bowline/which' => 'Which knot?', 'bowline/draw' => 'Lay the rope'] as $path => $words) {
        $this->visit("/practice/$path");
        $this->see($words);
        $this->accessibleInBoth("the corner, $path");
    }
})->with([[1280, 800], [360, 740]]);
