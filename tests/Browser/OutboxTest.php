<?php

declare(strict_types=1);

it('checks off with no network, loses nothing on the way, and sends it once', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/bowline');
    $this->see('Tail: ');
    // The page itself is kept by the worker.
    $this->workerInCharge();
    $this->visit('/check/bowline');
    $this->see('Tail: ');
    $this->offline(true);
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
    $this->see('Reckoned on this device');
    $this->named('Bram K.: clean pass')->click();
    $this->see('Bram K.: Has it');
    $this->lookCloser('Cleo M.');
    $this->named('Measured tail')->sendKeys('30');
    $this->named('Record')->click();
    $this->see('Cleo M.: Feed tail');
    $this->see('3 checks wait on this device.');
    $this->see('No network');
    // Undone before it was ever sent: an event of its own, in its place.
    $this->named('Undo')->click();
    $this->see('4 checks wait');
    // A reload, still without a network.
    $this->visit('/check/bowline');
    $this->see('4 checks wait');
    $this->accessible('checks that wait');
    // Back in range, they go by themselves.
    $this->offline(false);
    $this->allSent();
    expect($this->resultsOf('bowline'))->toBe(3);
    $again = $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; const open = indexedDB.open("compadre"); open.onsuccess = () => { const all = open.result.transaction("events").objectStore("events").count(); all.onsuccess = () => done(all.result); };');
    expect($again)->toBe(0);
    $this->visit('/crew');
    $this->find('[data-testid=board]');
    expect($this->browser->executeScript('return document.querySelectorAll("[aria-label^=\'Bowline: Has it\']").length'))->toBe(2);
});

it('keeps what a signed-out session could not send, and sends it after signing in again', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/bowline');
    $this->see('Tail: ');
    // The session ends elsewhere.
    $this->browser->manage()->deleteAllCookies();
    $this->named('Ada P.: clean pass')->click();
    $this->see('Sign in again, and they are sent.');
    $this->browser->manage()->getLog('browser');
    $this->visit('/');
    $this->see('Ropes ready?');
    $this->signIn();
    $this->allSent('sent after signing in');
    expect($this->resultsOf('bowline'))->toBe(1);
});

it('says on signing out what is not sent, and shows what a learner’s mistake looks like', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/square-knot');
    $this->see('Tail: ');
    $this->lookCloser('Ada P.');
    $this->named('Not right')->click();
    $this->see('Granny knot');
    $this->wait(fn (): ?bool => $this->browser->executeScript('return document.querySelectorAll("[role=dialog] fieldset button svg").length') >= 2 ? true : null, 'pictures of what it may be');
    $this->named('Close')->click();
    $this->offline(true);
    $this->named('Ada P.: clean pass')->click();
    $this->see('1 check waits on this device.');
    $this->named('Group and account')->click();
    $this->named('Sign out')->click();
    $this->see('1 check is not sent yet.');
    $this->named('Stay')->click();
    $this->see('1 check waits on this device.');
});
