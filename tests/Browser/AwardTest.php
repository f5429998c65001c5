<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;

it('leads a badge from tonight’s meeting to the hand and the record, with its certificate', function (): void {
    $this->house();
    $this->signIn();
    $this->see('Badges tonight');
    $ready = $this->fetched('/api/awards')['ready'];
    expect($ready)->not->toBe([]);
    $learner = $ready[0]['learner'];
    $this->see("{$ready[0]['name']} is ready");
    $this->named('Look and decide')->click();
    // What met it is there to be seen before it is decided.
    $this->find('[data-testid=ready]');
    $since = $ready[0]['proof']['outline']['parts'][0]['since'];
    expect($this->find('[data-testid=ready]')->getText())->toContain($learner['name'])->toContain($since['by'])->toContain($since['place']);
    $this->named("Decide for {$ready[0]['name']} for {$learner['name']}")->click();
    $this->wait(fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[data-testid=ready]')) === [] || count($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=ready]'))) < count($ready) ? true : null, 'one fewer that is ready');
    $waiting = array_values(array_filter($this->fetched('/api/awards')['awards'], fn (array $award): bool => $award['handed_on'] === null));
    expect(array_column(array_column($waiting, 'learner'), 'name'))->toBe([$learner['name']]);
    // The evening has a block for it; there it is handed over.
    $this->goTo('/');
    $this->see('Hand over badges');
    $this->named('All handed over')->click();
    $this->see("{$learner['name']}: {$ready[0]['name']}, handed over");
    expect($this->fetched("/api/awards/{$waiting[0]['id']}")['handed_on'])->toBe($this->fetched('/api/me')['today']);
    // It stands on the learner's page.
    $this->goTo("/crew/{$learner['id']}");
    $this->see('Handed over');
    $this->named('Certificate')->click();
    $this->see('awarded to');
    expect($this->find('[data-testid=certificate]')->getText())->toContain($learner['name'])->toContain($ready[0]['name'])->toContain('Gullwick Lantern Crew')->toContain($since['place']);
    $this->noConsoleErrors();
});

it('prints each certificate on one page across, on any paper, and small badges to cut out', function (): void {
    $this->house();
    $this->signIn();
    $held = array_column($this->fetched('/api/awards')['awards'], 'id');
    expect(count($held))->toBeGreaterThan(2);
    $this->goTo('/certificates?awards='.implode(',', $held));
    foreach (['A4' => [11.69, 8.27], 'A5' => [8.27, 5.83], 'Letter' => [11.0, 8.5]] as $paper => [$width, $height]) {
        $this->named($paper)->click();
        $this->find('[data-testid=certificate]');
        $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("main img")].every((one) => one.complete && one.naturalWidth > 0)'), 'all pictures');
        // Nothing stands over the edge of what it stands in.
        $over = $this->script('return [...document.querySelectorAll("[data-testid=certificate] :is(h1, p, li, img)")].filter((one) => { const page = one.closest("[data-testid=handout]").getBoundingClientRect(); const at = one.getBoundingClientRect(); return at.bottom > page.bottom + 1 || at.right > page.right + 1 || at.top < page.top - 1; }).length');
        expect($over)->toBe(0, $paper);
        expect($this->script('return Math.min(...[...document.querySelectorAll("[data-testid=certificate] ul img")].map((one) => one.getBoundingClientRect().height))'))->toBeGreaterThan(30, $paper);
        [$pages, $text] = $this->printedOn($width, $height);
        expect($pages)->toBe(count($held), $paper)->and($text)->toContain('Kit A.')->toContain('Noor D.')->not->toContain('Small badges');
    }
    $this->named('A4')->click();
    $this->named('Small badges')->click();
    $this->find('[data-testid=disc]');
    expect($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=disc]')))->toHaveCount(count($held));
    [$pages] = $this->printedOn(8.27, 11.69);
    expect($pages)->toBe(1);
    $this->named('Black and white')->click();
    $this->until(fn (): bool => $this->script('return [...document.querySelectorAll("main img")].every((one) => one.src.includes("ink=grey"))'), 'grey pictures');
});

it('awards by hand, takes back with a reason, and gives certificates the group’s own look', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/awards');
    $this->named('Award by hand')->click();
    $this->find('[role=dialog] select')->findElement(WebDriverBy::xpath('./option[text()="Rigger"]'))->click();
    $this->named('Lumi N.')->click();
    $this->named('Pell G.')->click();
    $this->fill('Why', 'Earned with the crew across the harbour.');
    $this->named('Award 2 badges')->click();
    $this->wait(fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) === [] ? true : null, 'the sheet closed');
    $this->see('Lumi N.');
    $mine = fn (): array => array_values(array_filter($this->fetched('/api/awards')['awards'], fn (array $award): bool => $award['badge'] === 'rigger'));
    expect($mine())->toHaveCount(2);
    $this->wait(function (): ?bool {
        foreach ($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=award] button')) as $row) {
            if (str_contains($row->getText(), 'Lumi N.')) {
                $row->click();

                return true;
            }
        }

        return null;
    }, 'the award on the list');
    $this->see('Earned with the crew across the harbour.');
    $this->unfold('Take back');
    $this->fill('Why', 'It was another Lumi.');
    $this->named('Take it back')->click();
    $this->see('1 award taken back');
    expect(array_filter(array_column($mine(), 'taken_back')))->toHaveCount(1);
    $this->named('How certificates look')->click();
    $this->fill('Words', 'whose knots held on a cold night.');
    $this->named('#0c6647')->click();
    $file = tempnam(sys_get_temp_dir(), 'lantern').'.svg';
    file_put_contents($file, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><circle cx="5" cy="5" r="4" fill="#d8432b"/></svg>');
    $this->browser->findElement(WebDriverBy::cssSelector('[role=dialog] input[type=file]'))->sendKeys($file);
    $this->find('[role=dialog] img');
    $this->named('Save')->click();
    $this->wait(fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) === [] ? true : null, 'the sheet closed');
    $left = array_values(array_filter($mine(), fn (array $award): bool => $award['taken_back'] === null));
    $this->goTo("/certificates?awards={$left[0]['id']}");
    $this->see('whose knots held on a cold night.');
    expect($this->script('return getComputedStyle(document.querySelector("[data-testid=certificate] h1")).color'))->toBe('rgb(12, 102, 71)');
    $this->until(fn (): bool => $this->script('const one = document.querySelector("[data-testid=certificate] header img"); return one !== null && one.naturalWidth === 1200'), 'the group’s picture');
    unlink($file);
    $this->noConsoleErrors();
});

it('reads well and can be used by everybody, on a phone too', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(360, 740);
    $this->goTo('/awards');
    $this->find('[data-testid=ready]');
    expect($this->script('return document.documentElement.scrollWidth'))->toBe(360);
    $this->accessibleInBoth('awards');
    $this->named('Award by hand')->click();
    $this->find('[role=dialog]');
    $this->accessible('award by hand');
});

it('gives a badge along as a file, and tells what can be said of one that somebody shows', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/awards');
    $this->find('[data-testid=award] button')->click();
    $this->unfold('As a file that others can check');
    $this->named('Make the file')->click();
    $this->see('without a name.');
    $award = array_values(array_filter($this->fetched('/api/awards')['awards'], fn (array $one): bool => $one['signed'] !== null))[0];
    // The picture as it is downloaded, and one with a sign of it changed.
    $fetch = fn (string $path): string => (string) base64_decode((string) $this->asyncScript("const done = arguments[arguments.length - 1]; fetch('$path').then((one) => one.arrayBuffer()).then((bytes) => { let text = ''; for (const byte of new Uint8Array(bytes)) text += String.fromCharCode(byte); done(btoa(text)); });"), true);
    $png = $fetch("/api/awards/{$award['id']}/signed.png");
    $token = $fetch("/api/awards/{$award['id']}/signed.txt");
    expect(Compadre\Core\Awards\Credential\Baking::token($png))->toBe($token);
    $folder = sys_get_temp_dir().'/badges-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $show = function (string $name, string $bytes, string $answer) use ($folder): void {
        file_put_contents("$folder/$name", $bytes);
        $this->goTo('/awards');
        $this->goTo('/verify');
        $this->see('Groups whose badges are believed');
        $this->browser->findElement(WebDriverBy::cssSelector('main input[type=file]'))->sendKeys("$folder/$name");
        $this->wait(fn (): ?bool => str_contains($this->find('[data-testid=answer]')->getText(), $answer) ? true : null, $answer);
    };
    $show('badge.png', $png, 'Good');
    expect($this->find('[data-testid=answer]')->getText())->toContain('Lantern Hand')->toContain('Gullwick Lantern Crew')->toContain('no name in it');
    $this->accessibleInBoth('verify');
    $show('changed.txt', substr_replace($token, $token[strlen($token) - 3] === 'A' ? 'B' : 'A', -3, 1), 'Altered');
    // Taken back it is told so.
    $this->goTo('/awards');
    $this->find('[data-testid=award] button')->click();
    $this->unfold('Take back');
    $this->fill('Why', 'Mistaken for another.');
    $this->named('Take it back')->click();
    $this->see('1 award taken back');
    $show('badge.svg.png', $png, 'Taken back');
    array_map(unlink(...), glob("$folder/*") ?: []);
    rmdir($folder);
    $this->noConsoleErrors();
});

it('tells the award office of what was decided, and shows what it took and what it refused', function (): void {
    $this->house();
    $this->signIn();
    $board = fn (): array => $this->fetched('/api/office');
    $states = fn (): array => array_count_values(array_column($board()['awards'], 'state'));
    // What was given by hand waits until somebody sends it; some of it has no day.
    $this->goTo('/award-office');
    $this->see('No award has been told to it yet.');
    $byHand = count($board()['never_sent']);
    $this->named("Send all $byHand")->click();
    $this->until(fn (): bool => $states() === ['refused' => $byHand], 'what the office said of them');
    $this->see('There is no day on which it was met.');
    $this->accessibleInBoth('award office');
    // What is decided goes by itself.
    $this->goTo('/awards');
    $ready = $this->fetched('/api/awards')['ready'][0];
    $this->named("Decide for {$ready['name']} for {$ready['learner']['name']}")->click();
    $this->until(fn (): bool => ($states()['taken'] ?? 0) === 1, 'the receipt');
    $this->goTo('/award-office');
    $taken = array_values(array_filter($board()['awards'], fn (array $one): bool => $one['state'] === 'taken'))[0];
    $this->see("Receipt {$taken['receipt']}");
    $this->see("The office knows everything; $byHand awards were refused.");
    $this->noConsoleErrors();
    // Another office is set up only once this one is left, and only where it knows the group.
    $this->named('Leave this office')->click();
    $this->named('Leave it')->click();
    $this->see('Tell an office of your awards');
    $this->accessible('an office to set up');
    $this->fill('Its address', 'http://register.example');
    $this->fill('Id of your group there', 'gullwick');
    $this->fill('Secret', 'guessed');
    $this->named('Ask it, and set it up')->click();
    $this->see('has to begin with https://');
    $settings = Tests\TestHouse::settings();
    $this->fill('Its address', "http://127.0.0.1:{$settings['COMPADRE_OFFICE_PORT']}/");
    $this->named('Ask it, and set it up')->click();
    $this->see('The office does not know this id and secret.');
    $this->fill('Secret', $settings['COMPADRE_OFFICE_SECRET']);
    $this->named('Ask it, and set it up')->click();
    // What it took is known again.
    $this->see("Receipt {$taken['receipt']}");
    $this->screen(360, 740);
    $this->until(fn (): bool => $this->script('return document.documentElement.scrollWidth') === 360, 'no wider than a phone');
});
