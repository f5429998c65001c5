<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

it('moves a knot by keys, says what that comes to first, and lets the plan have it back', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/course');
    $this->see('Drag a knot to another meeting');
    $knot = $this->wait(fn () => $this->browser->findElements(WebDriverBy::cssSelector('button[draggable]'))[0] ?? null, 'a knot to move');
    $name = $knot->getText();
    $this->browser->executeScript('arguments[0].focus()', [$knot]);
    $knot->sendKeys(WebDriverKeys::ARROW_RIGHT);
    $this->see('Move the '.strtolower($name));
    $this->see('The '.strtolower($name).' moves from');
    $this->named('Move it')->click();
    $this->wait(fn (): ?bool => str_contains((string) $this->browser->executeScript('return [...document.querySelectorAll("[aria-live=polite]")].map((one) => one.textContent).join(" ")'), "$name moved to") ? true : null, 'the move said');
    $this->wait(fn () => $this->browser->findElements(WebDriverBy::cssSelector('[aria-label="kept here by a leader"]'))[0] ?? null, 'the pin');
    $this->accessible('the course');
    // Dragged, the same sheet opens.
    $this->browser->executeScript('const chip = [...document.querySelectorAll("button[draggable]")].find((one) => one.textContent.includes(arguments[0])); const over = [...document.querySelectorAll("section[aria-label^=\"The term\"] ol > li")].at(-1); const data = new DataTransfer(); chip.dispatchEvent(new DragEvent("dragstart", { bubbles: true, dataTransfer: data })); over.dispatchEvent(new DragEvent("dragover", { bubbles: true, cancelable: true, dataTransfer: data })); over.dispatchEvent(new DragEvent("drop", { bubbles: true, dataTransfer: data }));', [$name]);
    $this->see('Let the plan decide');
    $this->named('Let the plan decide')->click();
    $this->wait(fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[aria-label="kept here by a leader"]')) === [] ? true : null, 'no pin');
    expect($this->pagesPrinted())->toBe(1);
    $this->named('ten minutes more each time')->click();
    $this->wait(fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('#what-if ~ ul[role=status] li')) !== [] ? true : null, 'an answer to what if');
    $this->noConsoleErrors();
});

it('runs the evening on a phone, survives a reload, and ends with a summary', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->named('Start the meeting')->click();
    $this->see('Now: Welcome');
    $this->see('minutes left');
    expect($this->find('[data-testid=running] button')->getSize()->getHeight())->toBeGreaterThanOrEqual(48);
    $this->accessible('the meeting under way');
    $this->named('Next')->click();
    $this->see('Now: Old knot');
    $this->browser->navigate()->refresh();
    $this->see('Now: Old knot');
    $second = $this->find('[data-testid=running] .font-display')->getText();
    // Another leader's step, taken elsewhere, is seen within five seconds.
    $this->browser->executeScript('const at = location.pathname.split("/").pop(); const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]); return fetch(`/api/meetings/${at}`).then((one) => one.json()).then((sheet) => fetch(`/api/meetings/${at}/run`, { method: "POST", headers: { "Content-Type": "application/json", Accept: "application/json", "X-XSRF-TOKEN": token }, body: JSON.stringify({ step: "next", block: sheet.clock.blocks.find((block) => block.state === "running").id }) })).then((answer) => answer.status)');
    $this->wait(fn (): ?bool => $this->find('[data-testid=running] .font-display')->getText() !== $second ? true : null, 'the other leader’s step');
    $this->named('More: Bowline')->click();
    $this->named('Next meeting')->click();
    $this->see('next meeting');
    $this->named('End the meeting')->click();
    $this->see('How it went');
    $this->see('1 for the next meeting');
    $this->noConsoleErrors();
});

it('shows who is where, takes a pace, and lets a helper say which station is theirs', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/course');
    $this->see('Who is where');
    $this->see('Station 2, 1 to check');
    $this->see('still in the hands on');
    $soon = $this->wait(fn () => array_values(array_filter($this->browser->findElements(WebDriverBy::cssSelector('label')), fn ($one): bool => str_contains($one->getText(), 'Badges soon') && str_contains($one->getText(), 'badges completed')))[0] ?? null, 'what the pace comes to');
    $soon->click();
    $this->wait(fn (): ?bool => $this->browser->executeScript('return document.querySelector("input[name=pace]:checked").closest("label").textContent.includes("Badges soon")') ? true : null, 'the pace taken');
    // What comes up on an evening is set for home there; what wants an adult beside is not offered.
    $offered = array_map(fn ($one): string => $one->getText(), $this->find('[data-testid=home-after]')->findElements(WebDriverBy::tagName('button')));
    $alone = array_column(array_filter($this->fetched('/api/knots')['knots'], fn (array $knot): bool => ! $knot['with_adult']), 'id', 'name');
    expect($offered)->not->toBe([])->and(array_diff($offered, array_keys($alone)))->toBe([]);
    $this->find('[data-testid=home-after] button')->click();
    $this->find('[data-testid=home-after] button[aria-pressed=true]');
    $this->until(fn (): bool => $this->fetched('/api/practice/cards')['home'] === [$alone[$offered[0]]], 'it is set for home');
    $this->goTo('/');
    $this->named('One helper fewer');
    $this->named('I lead this')->click();
    $this->see('Led by Maren Holt');
    $this->named('I do not lead it')->click();
    $this->wait(fn (): ?bool => str_contains($this->text(), 'Led by') ? null : true, 'nobody leading');
    $this->named('One helper fewer')->click();
    $this->see('1 person can check');
    $this->noConsoleErrors();
});

it('packs the rope: cuts it, counts it, and prints gauges at true size', function (): void {
    $this->house();
    $this->signIn();
    $this->named('What to pack')->click();
    $this->see('From the store');
    $this->see('Take 9 from Practice pieces');
    $this->see('no way of cutting loses less');
    $this->accessible('what to pack');
    $this->named('Taken and cut')->click();
    $this->wait(fn (): ?bool => str_contains($this->text(), 'Take 9 from Practice pieces') ? null : true, 'the cut written down');
    $this->named('Rope store')->click();
    $this->see('Good hemp coil');
    $this->see('9 out');
    $this->named('Practice pieces: one came back')->click();
    $this->see('8 out');
    $this->named('Add rope')->click();
    $this->fill('What you call it', 'New coil');
    $this->fill('Length of each, mm', '5');
    $this->named('Save')->click();
    $this->see('at least 50');
    // The browser writes down every answer that is a refusal: this one was asked for.
    $this->browser->manage()->getLog('browser');
    $this->fill('Length of each, mm', '25000');
    $this->named('Save')->click();
    $this->see('New coil');
    $this->accessible('the store');
    $this->goTo('/gauges');
    $this->see('Tail gauges');
    // CSS has 96 pixels to 25.4 mm: what is drawn is what the rule asks for, and the check line is 100 mm long.
    $sizes = $this->browser->executeScript('return [...document.querySelectorAll("[data-testid=strip]")].map((one) => [Number(one.dataset.mm), one.querySelector("[data-testid=bar]").getBoundingClientRect().width / 96 * 25.4])');
    expect(count($sizes))->toBe(12);
    foreach ($sizes as [$asked, $drawn]) {
        expect($drawn)->toEqualWithDelta($asked > 180 ? $asked / 2 : $asked, 0.2);
    }
    $line = $this->browser->executeScript('const line = document.querySelector("[data-testid=check-line] path").getBoundingClientRect(); return line.width / 96 * 25.4');
    expect($line)->toEqualWithDelta(100, 0.5);
    $this->noConsoleErrors();
});

it('writes a badge, reads a list with faults in it, and gives the calendar an address', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/house');
    $this->see('House methods');
    $this->accessible('the group’s page');
    $this->named('Write a badge')->click();
    $this->fill('Name', 'Showpiece');
    $this->fill('What it is for', 'Knots to show.');
    $this->named('Another one')->click();
    $kinds = $this->wait(fn () => count($all = $this->browser->findElements(WebDriverBy::cssSelector('fieldset select'))) >= 7 ? $all : null, 'two requirements');
    $this->browser->executeScript('const fields = [...document.querySelectorAll("[role=dialog] label")].filter((one) => one.textContent === "Kind"); const field = document.getElementById(fields.at(-1).htmlFor); const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set; set.call(field, "say"); field.dispatchEvent(new Event("change", { bubbles: true }));');
    $this->fill('In words', 'What it is for');
    $this->named('Does it hold together?')->click();
    $this->see('It holds together.');
    $this->named('Save')->click();
    $this->see('Showpiece');
    $offered = substr_count($this->text(), 'Work toward it');
    $this->script('[...document.querySelectorAll("li")].find((one) => one.textContent.includes("Knots to show.")).querySelectorAll("button").forEach((one) => { if (one.textContent.includes("Work toward it")) one.click(); });');
    $this->wait(fn (): ?bool => substr_count($this->text(), 'Work toward it') === $offered - 1 ? true : null, 'the badge taken up');

    $this->named('Make a private address')->click();
    expect($this->find('[data-testid=calendar-address]')->getText())->toMatch('#/calendar/[0-9a-f]{32}\.ics$#');
    $this->named('Lists and the whole group')->click();
    $this->fill('Or paste it here', "Quinn R.;9;left\n;9;\n");
    $this->see('1 row is new, 1 has a fault');
    $this->see('The name is missing.');
    $this->named('Take in 1, leave those with a fault')->click();
    $this->see('1 row taken in.');

    // The learner, renamed, put away and taken back; what the crew knew before.
    $this->goTo('/crew');
    $this->named('Quinn R.')->click();
    $this->named('Change')->click();
    $this->named('Put away')->click();
    $this->see('1 learner put away');
    $this->named('Knew it before')->click();
    $this->named('Everyone')->click();
    $this->named('Half hitch')->click();
    $this->named('Write down 1 knot for 16 learners')->click();
    $this->wait(fn (): ?bool => count($this->browser->findElements(WebDriverBy::cssSelector('[aria-label^="Half hitch: "]'))) >= 16 ? true : null, 'the marks');
    $this->noConsoleErrors();
});
