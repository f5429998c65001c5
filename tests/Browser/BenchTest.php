<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

const SKETCH = 'main svg[role=group]';

it('puts the rope of every rig on the list within ten taps', function (): void {
    $this->house();
    $this->signIn();
    $meeting = $this->fetched('/api/me')['tonight'];
    $rigs = $this->fetched('/api/rigs')['rigs'];
    foreach ($rigs as $rig) {
        $this->goTo('/bench');
        $this->find("main a[href='/bench/{$rig['id']}']")->click();
        $taps = 1;
        if ($rig['gated']) {
            $this->see('Before any length is shown');
            expect($this->text())->not->toContain('Put the rope on the list');
            foreach ($this->browser->findElements(WebDriverBy::cssSelector('main form input[type=checkbox]')) as $line) {
                $line->click();
                $taps++;
            }
            $this->fill('Adult who looked', 'Wren Callow');
            $this->named('All of this is so')->click();
            $this->see('Looked at by Wren Callow');
            $taps += 2;
        }
        $this->find(SKETCH);
        $this->named('Put the rope on the list')->click();
        $this->see('It is on the list');
        expect(++$taps)->toBeLessThanOrEqual(10, $rig['name']);
    }
    $pack = $this->fetched("/api/meetings/$meeting/pack");
    expect(array_column($pack['rigs'], 'rig'))->toEqualCanonicalizing(array_column($rigs, 'id'))->and(array_filter(array_column($pack['rigs'], 'fault')))->toBe([]);
    $this->named('What to pack', 'main a')->click();
    $this->see('Shear legs');
    $this->see('of Practice rope, hemp');
});

it('changes the sketch and the figures while a handle is dragged, and says beside it what cannot stand', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/bench/tripod');
    $this->see('1.81 m');
    $foot = 'main [data-handle=foot_radius_mm]';
    // Ten millimetres for each arrow, within what stands.
    $this->find($foot)->sendKeys(WebDriverKeys::ARROW_LEFT.WebDriverKeys::ARROW_LEFT);
    $this->until(fn (): bool => $this->find($foot)->getAttribute('aria-valuenow') === '830', 'two steps to the middle');
    $this->see('830 mm');
    $width = fn (): float => (float) $this->script("return document.querySelector('".SKETCH."').viewBox.baseVal.height");
    $this->browser->action()->moveToElement($this->find($foot))->clickAndHold()->moveByOffset(20, 0)->release()->perform();
    $this->until(fn (): bool => (int) $this->find($foot)->getAttribute('aria-valuenow') > 840, 'the feet further out');
    $stood = $width();
    // Far out nothing stands: the sentence, and the sketch that stood before.
    $this->fill('How far from the middle do the feet stand? (m)', '1.5');
    $this->see('legs too flat: R/l 0.75, at most 0.55');
    $this->see('Nothing is worked out from this');
    expect($this->text())->not->toContain('Put the rope on the list');
    $this->fill('How far from the middle do the feet stand? (m)', '0.7');
    $this->see('700 mm');
    $this->notSee('legs too flat');
    expect($width())->not->toBe($stood);
    // Another knot in its place is worked out with its own rope.
    $before = $this->find('main li strong + span strong')->getText();
    $this->named('Woven tripod lashing')->click();
    $this->until(fn (): bool => ! str_contains($this->text(), $before), 'the woven lashing’s rope');
});

it('prints a card to build from, and tells a phone the same', function (): void {
    $this->house();
    $this->screen(360, 740);
    $this->signIn();
    $this->goTo('/bench/ridge-shelter');
    $this->find(SKETCH);
    $this->see('9.5 m');
    expect($this->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();
    // Nothing in the sketch is smaller than can be read at arm's length.
    $least = $this->script("return Math.min(...[...document.querySelectorAll('".SKETCH." text')].map((t) => t.getBoundingClientRect().height))");
    expect($least)->toBeGreaterThanOrEqual(12);
    $this->screen(1280, 800);
    $this->until(fn (): bool => (float) $this->script("return document.querySelector('".SKETCH."').clientWidth") > 500, 'the wide sketch');
    [$pages, $text] = $this->printedOn(8.27, 11.69);
    expect($pages)->toBe(1)->and($text)->toContain('Shelter on a ridge line')->toContain('Ridge line')->toContain('Take care')->toContain('Raise it')->toContain('Strike it')->not->toContain('More questions')->not->toContain('Put the rope');
});

it('says which knot for this, with reasons, and shows it', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/bench/which');
    $this->named('Join two ropes')->click();
    $this->named('a rope')->click();
    $this->see('Sheet bend');
    $this->see('For binding only');
    $this->named('comes and goes')->click();
    $this->named('Be set by hand, and then grip')->click();
    $this->named('a pole or post')->click();
    $this->see('Slides in the hand and grips when the line pulls');
    $this->named('Show it', 'main a')->click();
    $this->see('Taut-line hitch');
});

it('works without a network by what was worked out last', function (): void {
    $this->house();
    $this->signIn();
    $this->workerInCharge();
    $this->visit('/bench/tripod');
    $this->see('1.81 m');
    $this->visit('/bench/instruments/line');
    $this->see('255 N');
    $this->until(fn (): bool => array_filter($this->asyncScript('const done = arguments[arguments.length - 1]; caches.open("bench").then((kept) => kept.keys()).then((all) => done(all.map((one) => one.url)));'), fn (string $url): bool => str_contains($url, '/api/instruments/line?')) !== [], 'the instrument kept on the device');
    $this->offline(true);
    $this->visit('/bench/tripod');
    $this->see('No network');
    $this->see('1.81 m');
    $this->find(SKETCH);
    $this->visit('/bench/instruments/line');
    $this->see('255 N');
    $this->offline(false);
});

it('moves every instrument by its handle, and the figures follow', function (): void {
    $this->house();
    $this->screen(360, 740);
    $this->signIn();
    $this->goTo('/bench');
    $this->named('Instruments', 'main a')->click();
    foreach ($this->fetched('/api/instruments')['instruments'] as $one) {
        $this->goTo("/bench/instruments/{$one['id']}");
        $this->see($one['name']);
        $this->find(SKETCH);
        $figures = $this->find('main dl')->getText();
        $handle = $this->find('main [data-handle]');
        $before = $handle->getAttribute('aria-valuenow');
        $handle->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->until(fn (): bool => $this->find('main [data-handle]')->getAttribute('aria-valuenow') !== $before, "the handle of {$one['id']}");
        $this->until(fn (): bool => $this->find('main dl')->getText() !== $figures, "the figures of {$one['id']}");
        expect($this->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue($one['id']);
    }
    $this->goTo('/bench/instruments/line');
    $this->see('Pull at each anchor');
    // A finger draws the line tight, and past what can be it says so beside the picture.
    $sag = fn (): int => (int) $this->find('main [data-handle=sag_mm]')->getAttribute('aria-valuenow');
    $loose = $sag();
    $this->browser->action()->moveToElement($this->find('main [data-handle=sag_mm]'))->clickAndHold()->moveByOffset(0, -15)->release()->perform();
    $this->until(fn (): bool => $sag() < $loose, 'a tighter line');
    $this->fill('How far does it sag? (m)', '3.5');
    $this->see('Nothing is worked out from this');
});

it('measures a knot, and reckons with it at once', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/bench/ridge-shelter');
    $this->find(SKETCH);
    $guys = fn (): array => array_column(array_filter($this->fetched('/api/rigs/ridge-shelter')['worked']['members'], fn (array $one): bool => $one['id'] === 'guy'), 'length_mm');
    $before = $guys();
    $this->goTo('/bench/calibrate');
    $this->see('Nothing is measured yet');
    $this->see('Reckoned with 20 times the rope.');
    $this->fill('From mark to mark (mm)', '9');
    $this->named('Keep this measure')->click();
    $this->see('cannot be');
    $this->fill('From mark to mark (mm)', '240');
    $this->named('Keep this measure')->click();
    $this->see('Measured once');
    $this->see('it began with 20');
    expect($guys())->not->toBe($before);
    $this->named('Take back')->click();
    $this->see('Nothing is measured yet');
    expect($guys())->toBe($before);
});

it('copies a rig, changes it, and says what a change cannot be', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/bench/line-between');
    $this->find(SKETCH);
    $this->named('Make a copy of our own')->click();
    $this->fill('What it is called', 'Lantern line on the green');
    $caution = $this->find('main textarea')->getAttribute('value');
    expect($caution)->toContain('trip wire');
    $this->named('Formulas', 'main summary')->click();
    $this->fill('low', 'height_mm - 3');
    $this->named('Keep it')->click();
    $this->see('units');
    $this->fill('low', 'height_mm - sag_mm');
    $this->named('Keep it')->click();
    $this->see('Lantern line on the green');
    $this->find(SKETCH);
    $this->goTo('/bench');
    $this->see('Lantern line on the green, ours');
    $this->find("main a[href*='line-between-own']")->click();
    $this->named('Change it')->click();
    $this->named('Remove it')->click();
    $this->see('What should stand at the end?');
    $this->notSee('Lantern line on the green');
});

it('offers the group’s own poles, and says which of them a rig takes', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/store');
    $this->named('Add poles')->click();
    $this->fill('What you call them', 'Alder poles');
    $this->fill('Diameter, mm', '5');
    $this->fill('Length of each, mm', '4000');
    $this->named('Save')->click();
    // A stick is no pole: said at the field, and nothing is lost.
    $this->see('at least 10');
    $this->fill('Diameter, mm', '75');
    $this->fill('How many', '2');
    $this->named('Save')->click();
    $this->until(fn (): bool => str_contains((string) $this->script('return document.querySelector("[aria-labelledby=poles]").textContent'), 'Alder poles'), 'the new poles');
    $this->goTo('/bench/tripod');
    $this->see('Ours: 3 of Ash poles');
    $this->named('Alder poles, 75 mm')->click();
    $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("main fieldset input")].filter((one) => one.value === "75").length') === 3, 'all three legs of it');
    // Two of them and both long spars are as thick as that.
    $this->see('of Alder poles');
    $this->see('Long spars');
    $this->notSee('short: none');
    $this->fill('How long are the legs below the lashing? (m)', '3.4');
    $this->fill('How far from the middle do the feet stand? (m)', '1.2');
    $this->see('one short: none is left that long and that thick');
});
