<?php

declare(strict_types=1);

it('signs out for good, however slow the device and however much is on its way', function (): void {
    $this->house();
    $this->screen(390, 844);
    foreach (range(1, 2) as $time) {
        $this->signIn();
        // Straight into pages that ask for much, with the processor a sixth of what it is, and out in the middle of it.
        $this->devtools('Emulation.setCPUThrottlingRate', ['rate' => 6]);
        $this->goTo('/crew');
        $this->find('[data-testid=board]');
        $this->browser->executeScript('for (const path of ["/api/me", "/api/house", "/api/crew", "/api/course", "/api/knots", "/api/me", "/api/house"]) void fetch(path);');
        $this->named('Group and account')->click();
        $this->named('Sign out')->click();
        $this->see('Ropes ready?');
        $this->devtools('Emulation.setCPUThrottlingRate', ['rate' => 1]);
        // Nor does anything late bring it back.
        $this->visit('/course');
        $this->see('Ropes ready?');
        expect($this->fetched('/api/house')['signed_in'])->toBeFalse();
    }
});

it('leaves no name behind for whoever goes back', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/check/overhand');
    $this->see('Ada P.');
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
    $this->allSent();
    $this->named('Group and account')->click();
    $this->named('Sign out')->click();
    $this->see('Ropes ready?');
    expect($this->script('return JSON.stringify(sessionStorage)'))->toBe('{}');
    $this->browser->navigate()->back();
    $this->see('Ropes ready?');
    expect($this->script('return document.body.textContent'))->not->toContain('Ada P.');
    // The next one on this device finds nothing to take back.
    $this->signIn('wren');
    $this->goTo('/check/overhand');
    $this->see('Ada P.');
    expect($this->text())->not->toContain('Last written down')->not->toContain('Undo');
});
