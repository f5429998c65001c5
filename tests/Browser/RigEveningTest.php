<?php

declare(strict_types=1);

/** A rig chosen for tonight, by its address. */
function takeLine(): string
{
    $meeting = test()->fetched('/api/me')['tonight'];
    test()->goTo('/bench/line-between');
    test()->named('Put the rope on the list')->click();
    test()->see('It is on the list');

    return $meeting;
}

it('raises, checks and strikes a rig on the run sheet, each from a list', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $meeting = takeLine();
    $this->goTo("/meeting/$meeting");
    $this->see('Line between two trees');
    foreach (['Raise', 'Check it stands', 'Strike'] as $part) {
        $this->see($part);
    }
    $this->see('The organisation’s rules, local rules and qualified people come first.');
    $this->named('Start the meeting')->click();
    $this->see('Next');
    for ($taps = 0; ! str_contains($this->find('[data-testid=running]')->getText(), 'Raise'); $taps++) {
        expect($taps)->toBeLessThan(30);
        $running = $this->find('[data-testid=running]')->getText();
        // A second tap too soon is let go, and one at a block that is over does nothing.
        $this->until(function () use ($running): bool {
            $this->named('Next')->click();

            return ! str_starts_with($this->find('[data-testid=running]')->getText(), explode("\n", $running)[0]."\n".explode("\n", $running)[1]);
        }, 'the next block');
    }
    $list = fn (): string => $this->find('[data-testid=running] summary')->getText();
    expect($list())->toStartWith('0 of ');
    $this->find('[data-testid=running] details input')->click();
    $this->until(fn (): bool => str_starts_with($list(), '1 of '), 'a line ticked');
    // What was ticked is still ticked when the phone comes out of the pocket.
    $this->browser->navigate()->refresh();
    $this->until(fn (): bool => str_starts_with($list(), '1 of '), 'the line still ticked');
});

it('ticks off who tied what for several learners at once, without a network too', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->workerInCharge();
    $meeting = takeLine();
    $roll = $this->fetched("/api/meetings/$meeting")['roll'];
    $this->goTo("/used/$meeting/line-between");
    $this->see('Who tied what: Line between two trees');
    $used = fn (): array => $this->fetched("/api/meetings/$meeting")['used'];
    $this->named('Half hitch', 'main section button')->click();
    $here = count(array_filter($roll, fn (array $one): bool => $one['present'] === true)) ?: count(array_filter($roll, fn (array $one): bool => $one['present'] !== false));
    $this->until(fn (): bool => count($used()) === $here, 'all of them kept');
    expect(array_unique(array_column($used(), 'knot')))->toBe(['half-hitch']);
    // One of them did not; taken back with a tap.
    $first = $this->find('main ul button[aria-pressed=true]');
    $first->click();
    $this->until(fn (): bool => count($used()) === $here - 1, 'one taken back');
    $this->offline(true);
    $this->named('Trucker’s hitch', 'main section button')->click();
    $this->until(fn (): bool => count($this->browser->findElements(Facebook\WebDriver\WebDriverBy::cssSelector('main ul button[aria-pressed=true]'))) === 2 * $here - 1, 'all of them ticked here');
    $this->visit("/used/$meeting/line-between");
    $this->until(fn (): bool => count($this->browser->findElements(Facebook\WebDriver\WebDriverBy::cssSelector('main ul button[aria-pressed=true]'))) === 2 * $here - 1, 'still ticked after a reload');
    $this->offline(false);
    $this->until(fn (): bool => count($used()) === 2 * $here - 1, 'all of them sent');
});
