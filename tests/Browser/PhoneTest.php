<?php

declare(strict_types=1);

it('is no wider than a phone on any page, and hides nothing behind the bar along its bottom', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(390, 844);
    $me = $this->fetched('/api/me');
    $learner = $this->fetched('/api/crew')['learners'][0]['id'];
    $pages = ['/course' => 'Gullwick', "/meeting/{$me['tonight']}" => 'Who is here', "/pack/{$me['tonight']}" => 'What to pack', '/house' => 'Group and badges', '/along' => 'Which list', '/store' => 'Rope store', '/show' => 'Show a knot', '/map' => 'What comes before',
        '/knot/bowline' => 'Bowline', '/check/overhand' => 'Check', '/check/of' => 'Check', "/check/of/$learner" => 'Check', '/pocket' => 'Pocket', '/crew' => 'Crew', "/crew/$learner" => 'History', '/people' => 'People', '/gauges' => 'gauges', '/show/bowline' => 'Bowline'];
    foreach ($pages as $path => $says) {
        $this->goTo($path);
        $this->wait(fn (): ?bool => str_contains($this->text(), $says) ? true : null, "$path to say \"$says\"");
        $wide = fn (): array => $this->script('const wide = document.documentElement.scrollWidth; return [wide, wide <= 390 ? "" : [...document.querySelectorAll("main *, [data-testid=stage] *")].filter((one) => one.getBoundingClientRect().right > 391 && !one.closest(".overflow-x-auto, .overflow-auto")).slice(0, 3).map((one) => one.outerHTML.slice(0, 160)).join(" | ")];');
        expect($wide())->toBe([390, ''], $path);
    }
    // The bar stays on top, whatever is scrolled beneath it.
    $this->goTo('/crew');
    $this->find('[data-testid=board]');
    $covered = $this->script('const links = [...document.querySelectorAll("nav[aria-label=Main] a")]; window.scrollTo(0, 300); return links.filter((one) => { const box = one.getBoundingClientRect(); const top = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2); return top === null || !one.contains(top); }).length;');
    expect($covered)->toBe(0);
});

it('lists the knots to scan, and begins the course with what is due', function (): void {
    $this->house();
    $this->signIn();
    $this->screen(390, 844);
    $this->goTo('/show');
    $this->see('Pick a knot');
    expect($this->script('return document.documentElement.scrollHeight'))->toBeLessThan(5000);
    $this->goTo('/course');
    $this->see('Show the 5 meetings behind us');
    $first = $this->script('return [...document.querySelectorAll("section[aria-label=\"The term, meeting by meeting\"] li")].find((one) => one.offsetParent !== null).textContent');
    expect($first)->toContain('Tonight');
    $this->named('Show the 5 meetings behind us')->click();
    $this->see('Begin with what is due');
});

it('offers tonight’s knots first, and comes up with the one the evening is at', function (): void {
    $this->house();
    $this->signIn();
    $me = $this->fetched('/api/me');
    $this->visit("/meeting/{$me['tonight']}");
    $this->named('Start the meeting')->click();
    $this->see('Now');
    $blocks = fn (): array => array_values(array_filter($this->fetched("/api/meetings/{$me['tonight']}")['clock']['blocks'], fn (array $block): bool => $block['state'] === 'running'));
    while (($blocks()[0]['knot'] ?? null) === null) {
        $place = $blocks()[0]['place'];
        $this->named('Next')->click();
        $this->wait(fn (): ?bool => ($blocks()[0]['place'] ?? $place) !== $place ? true : null, 'the next block');
    }
    $knot = $blocks()[0]['knot'];
    $this->named('Check')->click();
    $this->wait(fn (): ?bool => str_ends_with($this->browser->getCurrentURL(), "/check/$knot") ? true : null, "the check of the $knot");
    expect($this->script('return document.querySelectorAll("nav[aria-label=Knot] a").length'))->toBeLessThan(25)->toBeGreaterThan(2);
});

it('says so where the phone and the group’s computer do not agree on the time', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->goTo('/check');
    $this->see('Check');
    expect($this->script('return document.querySelector("[data-testid=clocks]")'))->toBeNull();
    $this->devtools('Page.addScriptToEvaluateOnNewDocument', ['source' => 'const real = Date.now.bind(Date); Date.now = () => real() + 3 * 3600000;']);
    $this->visit('/check');
    $this->see('put its clock right before you check');
    [$device, $computer] = $this->script('const found = /says (.+), the group’s computer (.+?)\\. What/.exec(document.querySelector("[data-testid=clocks]").textContent); return [Date.parse(found[1].replace(/\u202f/g, " ")), Date.parse(found[2].replace(/\u202f/g, " "))]');
    // Both are told to the minute.
    expect($device - $computer)->toBeBetween(3 * 3_600_000 - 60_000, 3 * 3_600_000 + 60_000);
    expect($this->script('return document.documentElement.scrollWidth'))->toBeLessThanOrEqual(390);
});
