<?php

declare(strict_types=1);

it('prints the crew board whole, to its last column and its last learner, across', function (float $width, float $height): void {
    $this->house();
    $this->signIn();
    $this->goTo('/crew');
    $this->find('[data-testid=board]');
    $badges = array_unique(array_merge(...array_map(fn (array $learner): array => array_map(fn (array $badge): string => "{$badge['name']} {$badge['met']}/{$badge['needed']}", $learner['badges']), $this->fetched('/api/crew')['learners'])));
    [$pages, $text] = $this->printedOn($width, $height);
    foreach ($badges as $badge) {
        expect($text)->toContain($badge);
    }
    foreach (array_column($this->fetched('/api/crew')['learners'], 'name') as $name) {
        expect($text)->toContain($name);
    }
    expect($pages)->toBeLessThanOrEqual(2);
})->with(['A4' => [11.69, 8.27], 'Letter' => [11.0, 8.5]]);

it('prints the run sheet on one page, without what is only there to be tapped', function (float $width, float $height): void {
    $this->house();
    $this->signIn();
    $this->see('Who is here');
    [$pages, $text] = $this->printedOn($width, $height);
    expect($text)->toContain('Run sheet')->toContain('Welcome')->toContain('Clear up')->not->toContain('Tap a name')->not->toContain('Who is here');
    expect($pages)->toBe(1);
})->with(['A4' => [8.27, 11.69], 'Letter' => [8.5, 11.0]]);

it('prints all that there is of one learner, for a parent who asks', function (): void {
    $this->house();
    $this->signIn();
    $board = $this->fetched('/api/crew')['learners'];
    $held = $this->fetched('/api/awards')['awards'][0]['learner']['id'];
    $this->goTo("/crew/$held");
    $this->named('Whole record')->click();
    $this->find('[data-testid=record]');
    $record = $this->fetched("/api/learners/$held/record");
    $this->accessible('a learner’s record');
    [$pages, $text] = $this->printedOn(8.27, 11.69);
    $name = $record['learner']['name'];
    expect($text)->toContain("The record of $name")->toContain('Lantern Hand')->toContain('Every check');
    foreach ($record['knots'] as $knot) {
        expect($text)->toContain($knot);
    }
    // Nobody else is named in it, but for those who taught.
    foreach (array_diff(array_column($board, 'name'), [$name]) as $other) {
        expect($text)->not->toContain($other);
    }
    expect(count($record['checks']))->toBeGreaterThan(3)->and($pages)->toBeGreaterThan(0)->toBeLessThan(8);
    $this->screen(360, 740);
    $this->until(fn (): bool => $this->script('return document.documentElement.scrollWidth') === 360, 'no wider than a phone');
    $this->noConsoleErrors();
});
