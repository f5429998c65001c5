<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

it('goes from signing in to a learner checked off', function (): void {
    $this->house();
    $this->signIn();
    // The app opens on tonight's meeting.
    $this->see('Who is here');
    $this->see('Run sheet');
    $this->see('0 of 16 here');
    $this->named('Cleo M., here or away')->click();
    $this->named('Finn O., here or away')->click();
    $this->see('2 of 16 here');

    // The plan of the term.
    $this->named('Course')->click();
    $this->see('Lantern Hand');
    $this->see('Tonight');

    // The board before.
    $this->named('Crew')->click();
    $this->see('One knot short of Lantern Hand');
    expect($this->find('[data-testid=board]')->findElements(WebDriverBy::cssSelector('[aria-label="Square knot: not met yet"]')))->toHaveCount(1);

    // A clean pass is one tap.
    $this->named('Check')->click();
    $this->named('Square knot')->click();
    $this->see('Tail: 54 mm');
    expect($this->find('[data-learner]')->getAttribute('data-learner'))->toBe('Cleo M.');
    $this->named('Finn O.: clean pass')->click();
    $this->see('Finn O.: Has it');

    // Undo, and again.
    $this->named('Undo')->click();
    $this->see('Taken back for Finn O.');
    $this->named('Finn O.: clean pass')->click();
    $this->see('Finn O.: Has it');

    // A short tail is measured and judged by the core.
    $this->lookCloser('Cleo M.');
    $this->named('Measured tail')->sendKeys('30');
    $this->see('24 mm too short');
    $this->named('The rest is right')->click();
    $this->named('Record')->click();
    $this->see('Cleo M.: Feed tail');

    // The board has changed.
    $this->named('Crew')->click();
    $this->find('[data-testid=board]');
    $this->wait(fn () => $this->browser->findElements(WebDriverBy::cssSelector('[aria-label="Square knot: not met yet"]')) === [] ? true : null, 'Finn’s mark');
    expect($this->browser->findElements(WebDriverBy::cssSelector('[aria-label="Square knot: Not yet: tying right, dressing right, tail not right yet."]')))->toHaveCount(1);

    // One learner's history.
    $this->named('Finn O.')->click();
    $this->see('History');
    $this->see('taken back');
    $this->see('by Maren Holt');
    $this->noConsoleErrors();

    $this->named('Group and account')->click();
    $this->named('Sign out')->click();
    $this->see('Ropes ready?');
});

it('shows every step of every knot, by keys, by beads, mirrored, and with its cautions', function (): void {
    $this->house();
    $this->signIn();
    $knots = array_column($this->fetched('/api/knots')['knots'], 'id');
    expect(count($knots))->toBeGreaterThanOrEqual(6);
    foreach ($knots as $id) {
        $this->goTo("/show/$id");
        $this->find('[data-testid=stage] [data-testid=knot-picture]');
        $knot = $this->fetched("/api/knots/$id");
        $this->wait(fn (): ?bool => $this->browser->executeScript('return document.querySelector("[data-testid=stage] [data-testid=knot-picture]")?.getAttribute("aria-label")') === $knot['text'] ? true : null, "the text of $id");
        foreach ($knot['steps'] as $number => $step) {
            $this->see($step['say']);
            $edge = $number === 0 || $number === count($knot['steps']) - 1;
            foreach ($knot['cautions'] as $caution) {
                expect(str_contains($this->text(), $caution))->toBe($edge);
            }
            $this->press([WebDriverKeys::ARROW_RIGHT, ' ', WebDriverKeys::PAGE_DOWN][$number % 3]);
        }
        $this->press(WebDriverKeys::HOME);
        $this->see($knot['steps'][0]['say']);
    }
    $this->visit('/show/figure-eight');
    $before = $this->find('[data-testid=knot-picture] path')->getAttribute('d');
    $this->press('l');
    $this->wait(fn () => $this->find('[data-testid=knot-picture] path')->getAttribute('d') !== $before ? true : null, 'the mirror image');
    $this->press('s');
    $this->see('little person');
    $this->named('Step 3 of 5')->click();
    $this->see('poke in the eye');
    $this->press('?');
    $this->see('next step');
    $this->press(WebDriverKeys::ESCAPE);
    $this->noConsoleErrors();
});

it('shows a knot from every side, by every method, and the usual mistakes beside it', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show/bowline');
    $this->see('Make a small loop');
    $shape = fn (): string => $this->find('[data-testid=stage] [data-testid=knot-picture]')->getDomProperty('innerHTML');
    $sides = [];
    foreach (['Facing the room', 'From behind', 'Left-handed'] as $side) {
        $sides[] = $shape();
        $this->press('v');
        $this->wait(fn (): ?bool => str_contains($this->find('[data-testid=stage] h1')->getText(), $side) ? true : null, $side);
    }
    expect(array_unique($sides))->toHaveCount(3);
    $this->press('v');
    $this->wait(fn () => str_contains($this->find('[data-testid=stage] h1')->getText(), 'Left-handed') ? null : true, 'the learner’s side');
    $this->press('m');
    $this->see('Up through a small loop, tail outside');
    $this->press('m');
    $this->wait(fn () => str_contains($this->text(), 'tail outside') ? null : true, 'the first method');

    // The mistakes are the core's, in its order, with its rings.
    $knot = $this->fetched('/api/knots/bowline');
    expect(count($knot['wrong']))->toBeGreaterThanOrEqual(2);
    $this->press('w');
    foreach ($knot['wrong'] as $number => $form) {
        $this->see($form['sign']);
        $this->see($form['fix']);
        expect($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=wrong-forms] circle')))->toHaveCount(2 * count($form['ringed']));
        if ($number === 0) {
            $this->accessible('wrong forms');
        }
        $this->press(WebDriverKeys::ARROW_RIGHT);
    }
    $this->press(WebDriverKeys::ESCAPE);
    $this->see('Make a small loop');

    $this->visit('/knot/square-knot');
    $this->see('Why it holds');
    $this->see('It pulls together');
    $this->see('Granny knot');
    $this->named('From behind')->click();
    $this->wait(fn () => $this->named('From behind')->getAttribute('aria-checked') === 'true' ? true : null, 'the other side');
    $this->unfold('The figures');
    $this->see('twist fluctuation 1; circulation 0.8');
    $this->named('Overhand knot')->click();
    $this->see('Stops an end');
    $this->noConsoleErrors();
});

it('finds a knot by what it is for and by any of its names', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/show');
    $this->see('Pick a knot');
    $names = fn (): array => array_map(fn ($card): string => $card->getText(), $this->browser->findElements(WebDriverBy::cssSelector('main li strong')));
    $this->wait(fn () => count($names()) > 6 ? true : null, 'the cards');
    $this->named('Join two ropes')->click();
    $knots = $this->fetched('/api/knots')['knots'];
    $bends = array_column(array_filter($knots, fn (array $knot): bool => $knot['family'] === 'bend'), 'name');
    expect($bends)->toContain('Sheet bend');
    $this->wait(fn () => $names() === $bends ? true : null, 'the bends alone');
    $this->named('Join two ropes')->click();
    // By a name that is not the one shown.
    $this->find('input[type=search]')->sendKeys('thumb');
    $this->wait(fn () => $names() === ['Overhand knot'] ? true : null, 'the overhand knot alone');
    $this->find('input[type=search]')->sendKeys(' xyz');
    $this->see('No knot is called that');
});

it('goes on by touch', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->devtools('Emulation.setTouchEmulationEnabled', ['enabled' => true]);
    $this->signIn();
    $this->visit('/show/overhand');
    $this->see('Make a loop');
    $swipe = function (int $from, int $to): void {
        $this->devtools('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $from, 'y' => 300]]]);
        $this->devtools('Input.dispatchTouchEvent', ['type' => 'touchMove', 'touchPoints' => [['x' => $to, 'y' => 300]]]);
        $this->devtools('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
    };
    $swipe(300, 80);
    $this->see('behind the standing part');
    $swipe(80, 300);
    $this->see('Make a loop');
});

it('works with the keyboard alone', function (): void {
    $this->house();
    $this->visit('/');
    $this->find('input[type=email]');
    $this->tabTo('E-mail');
    $this->press('maren@gullwick.example', WebDriverKeys::TAB, $this->password(), WebDriverKeys::ENTER);
    $this->see('Who is here');
    $this->tabTo('Finn O., here or away');
    $this->press(' ');
    $this->see('1 of 16 here');
    $this->tabTo('Course');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Lantern Hand');
    $this->tabTo('Check');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Tail:');
    $this->tabTo('Square knot');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Tail: 54 mm');
    $this->tabTo('Finn O.: clean pass');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Finn O.: Has it');
    $this->tabTo('Finn O.: look closer');
    $this->press(WebDriverKeys::ENTER);
    // Nothing is right before anybody has looked.
    expect($this->script('return [...document.querySelectorAll("[role=radio][aria-checked=true]")].map((one) => one.textContent).filter((word) => word === "Right").length'))->toBe(0);
    $this->tabTo('Not looked');
    $this->hold(WebDriverKeys::ARROW_LEFT);
    $this->see('What does it look like?');
    $this->press(WebDriverKeys::ESCAPE);
    $this->tabTo('Show');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Pick a knot');
    $this->browser->executeScript('document.querySelector("a[href=\'/show/bowline\']").focus()');
    $this->press(WebDriverKeys::ENTER);
    $this->see('Make a small loop');
    $this->press(WebDriverKeys::END);
    $this->see('pull them against the standing part');
    $this->press(WebDriverKeys::ESCAPE);
    $this->see('Pick a knot');
});

it('gives helpers the check and nothing more', function (): void {
    $this->house();
    $this->signIn('wren');
    $this->see('Helpers check knots');
    $this->visit('/course');
    $this->see('Badges');
    $this->notSee('Add a meeting');
    $this->visit('/people');
    $this->see('Your role does not allow this');
    $this->visit('/check/overhand');
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
});

it('tells what was wrong with a sign-in, and keeps what was typed', function (): void {
    $this->house();
    $this->visit('/');
    $this->find('input[type=email]')->sendKeys('maren@gullwick.example');
    $this->find('input[type=password]')->sendKeys('not-the-password');
    $this->find('button[type=submit]')->click();
    $this->see('do not belong together');
    expect($this->find('input[type=email]')->getAttribute('value'))->toBe('maren@gullwick.example');
});

it('has targets a cold hand can hit: 48 px and apart', function (): void {
    $this->house();
    $this->screen(360, 740);
    $this->signIn();
    $this->visit('/check/overhand');
    $this->find('[data-learner]');
    $small = $this->browser->executeScript('return [...document.querySelectorAll("main button, main a, main select, main summary, nav a")].filter((e) => e.offsetParent).map((e) => [e.getAttribute("aria-label") ?? e.textContent, e.getBoundingClientRect()]).filter(([, b]) => b.width < 48 || b.height < 47.5).map(([n, b]) => `${n}: ${b.width} x ${b.height}`);');
    expect($small)->toBe([]);
    $gap = $this->browser->executeScript('const [a, b] = [...document.querySelector("[data-learner]").querySelectorAll("button")].map((e) => e.getBoundingClientRect()); return b.left - a.right;');
    expect($gap)->toBeGreaterThanOrEqual(8);
    $this->visit('/');
    $this->see('Who is here');
    expect($this->browser->executeScript('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(360);
});
