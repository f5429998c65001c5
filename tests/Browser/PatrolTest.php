<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverSelect;

it('puts a crew into patrols with a thumb, names them anew, and sifts the crew by them', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->goTo('/house');
    $this->see('Pick names, then say which patrol they are in.');
    /** Moves whoever is picked. */
    $move = fn (string $to) => (new WebDriverSelect($this->find('section[aria-labelledby=patrols] .sticky select')))->selectByVisibleText($to);
    /** Who is in a patrol, once that is so. */
    $are = fn (string $patrol, string ...$names) => $this->until(fn (): bool => array_map(static fn ($one): string => $one->getText(), $this->browser->findElements(WebDriverBy::cssSelector("section[aria-labelledby=patrols] [role=group][aria-label='$patrol'] button[aria-pressed]"))) === $names, "$patrol: ".implode(', ', $names));
    foreach (['Ada P.', 'Bram K.', 'Cleo M.'] as $name) {
        $this->named($name)->click();
    }
    $this->see('3 picked. Move to');
    $move('a new patrol …');
    $this->fill('What it is called', 'Terns');
    $this->accessible('naming a patrol');
    $this->named('Save')->click();
    $are('Terns', 'Ada P.', 'Bram K.', 'Cleo M.');
    $this->see('a knot that all need takes one round, a station for each patrol.');
    foreach (['Dov R.', 'Cleo M.'] as $name) {
        $this->named($name)->click();
    }
    $move('a new patrol …');
    $this->fill('What it is called', 'Gulls');
    $this->named('Save')->click();
    $are('Gulls', 'Cleo M.', 'Dov R.');
    $are('Terns', 'Ada P.', 'Bram K.');
    $this->named('Rename Terns')->click();
    $this->fill('What it is called', 'Herons');
    $this->named('Save')->click();
    $are('Herons', 'Ada P.', 'Bram K.');
    $this->accessible('patrols');
    // Who of the leaders goes with them, said with one choice.
    (new WebDriverSelect($this->field('Tobin Ashe')))->selectByVisibleText('Herons');
    $this->until(fn (): bool => str_contains($this->find('[role=group][aria-label=Herons]')->getText(), 'With Tobin Ashe'), 'whom they go with');
    $this->accessible('helpers of patrols');
    // All of one, out of it: then it is there no more.
    $this->named('Pick all of Gulls')->click();
    $this->see('2 picked. Move to');
    $move('no patrol');
    $are('Gulls');
    $this->goTo('/crew');
    $this->see('Learner');
    (new WebDriverSelect($this->field('Patrol')))->selectByVisibleText('Herons');
    $this->until(fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('main tbody tr.group'))) === 2, 'the Herons alone');
    (new WebDriverSelect($this->field('Patrol')))->selectByVisibleText('in no patrol');
    $this->until(fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('main tbody tr.group'))) === 14, 'the others');
    $this->noConsoleErrors();
});

it('shows patrols to a helper, who moves nobody', function (): void {
    $this->house();
    $this->within('App\Models\Learner::query()->where("name", "Ada P.")->update(["patrol" => "Terns"]);');
    $this->signIn('wren');
    $this->goTo('/house');
    $this->until(fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[aria-label=Terns]'))) === 1, 'the patrol');
    expect($this->browser->findElements(WebDriverBy::cssSelector('section[aria-labelledby=patrols] button')))->toBe([])
        ->and($this->find('[aria-label=Terns]')->getText())->toContain('Ada P.');
});

it('says at each station tonight whose it is', function (): void {
    $this->house();
    // All of a patrol are taught at stations of their own, wherever tonight teaches anything.
    $this->within('foreach (App\Models\Learner::query()->orderBy("name")->get() as $n => $one) { $one->update(["patrol" => ["Gulls", "Terns"][$n % 2]]); } App\Models\Membership::query()->whereRelation("user", "email", "tobin@gullwick.example")->update(["patrol" => "Terns"]);');
    $this->signIn('tobin');
    $this->see('Run sheet');
    $cards = $this->wait(fn (): ?array => $this->browser->findElements(WebDriverBy::cssSelector('[data-testid=station]')) ?: null, 'stations');
    $patrols = $this->fetched('/api/patrols')['patrols'];
    $of = [];
    foreach ($patrols as $patrol) {
        $of += array_fill_keys(array_column($patrol['learners'], 'name'), $patrol['name']);
    }
    $seen = [];
    foreach ($cards as $card) {
        $text = $card->getText();
        $here = array_values(array_unique(array_filter($of, fn (string $name): bool => str_contains($text, $name), ARRAY_FILTER_USE_KEY)));
        expect($here)->toHaveCount(1, $text)->and($text)->toContain($here[0])->and(str_contains($text, 'With Tobin Ashe'))->toBe($here[0] === 'Terns', $text);
        $seen[$here[0]] = true;
    }
    // Those of whom Tobin goes with stand first on his screen.
    expect(array_keys($seen))->toBe(['Terns', 'Gulls']);
});
