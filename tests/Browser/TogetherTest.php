<?php

declare(strict_types=1);

/** What the device holds of a group: answers of the server, checks, walk-ins. */
const HELD = <<<'JS'
    const done = arguments[arguments.length - 1];
    const read = (store) => new Promise((found) => { const open = indexedDB.open('compadre'); open.onsuccess = () => { const base = open.result; if (!base.objectStoreNames.contains(store)) { base.close(); return found(0); } const all = base.transaction(store).objectStore(store).count(); all.onsuccess = () => { base.close(); found(all.result); }; }; });
    Promise.all([caches.keys().then((names) => Promise.all(names.filter((n) => n === 'group' || n === 'knots').map((n) => caches.open(n).then((c) => c.keys())))).then((all) => all.flat().filter((r) => !r.url.endsWith('/api/house')).length), read('events'), read('walkIns')]).then(done);
    JS;

it('counts on in two tabs, and sends each check once', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/overhand');
    $this->see('Tail: ');
    $this->workerInCharge();
    // Both without a server to send to.
    $first = $this->window();
    $this->script('window.fetch = () => Promise.reject(new TypeError("gone"))');
    $this->newTab();
    $this->visit('/check/overhand');
    $this->see('Tail: ');
    $this->script('window.fetch = () => Promise.reject(new TypeError("gone"))');
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
    $second = $this->window();
    $this->toWindow($first);
    $this->named('Bram K.: clean pass')->click();
    $this->see('Bram K.: Has it');
    $this->toWindow($second);
    $this->named('Cleo M.: clean pass')->click();
    $this->see('Cleo M.: Has it');
    $seqs = $this->asyncScript('const done = arguments[arguments.length - 1]; const open = indexedDB.open("compadre"); open.onsuccess = () => { const all = open.result.transaction("events").objectStore("events").getAll(); all.onsuccess = () => done(all.result.map((one) => one.seq)); };');
    sort($seqs);
    expect($seqs)->toHaveCount(3)->and(array_unique($seqs))->toHaveCount(3);
    $this->visit('/check/overhand');
    $this->allSent();
    expect($this->resultsToday('overhand'))->toBe(3);
});

it('loses nothing of a batch that is cut off by the network', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/pocket?knots=overhand,figure-eight,square-knot,two-half-hitches,clove-hitch,bowline');
    $this->find('[data-testid=pocket]');
    $this->offline(true);
    $this->script('document.querySelector(\'[data-cell="0 0"]\').focus()');
    for ($column = 0; $column < 5; $column++) {
        $this->script("document.querySelector('[data-cell=\"0 $column\"]').focus()");
        $this->press(...array_fill(0, 14, '1'));
        $this->see(14 * ($column + 1).' checks typed in.');
    }
    // Back in range of something so slow that it is gone again in the middle of the batch, twice.
    foreach ([600, 900] as $milliseconds) {
        $this->devtools('Network.emulateNetworkConditions', ['offline' => false, 'latency' => 400, 'downloadThroughput' => 20_000, 'uploadThroughput' => 20_000]);
        $this->script('dispatchEvent(new Event("online"))');
        usleep($milliseconds * 1000);
        $this->offline(true);
        usleep(300_000);
    }
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->allSent();
    $sum = 0;
    foreach (['overhand', 'figure-eight', 'square-knot', 'two-half-hitches', 'clove-hitch', 'bowline'] as $knot) {
        $sum += $this->resultsToday($knot);
    }
    expect($sum)->toBe(70);
});

it('keeps what waits through an update of the app', function (): void {
    $this->house();
    $this->signIn();
    $ada = array_column($this->fetched('/api/crew')['learners'], 'id', 'name')['Ada P.'];
    // The device as the app before left it: an older shelf, with a check on it. Made where the app does not run, for that would open
    // its own shelf again in between.
    $this->visit('/mark.svg');
    $made = $this->asyncScript(<<<'JS'
        const [learner, done] = arguments;
        const gone = indexedDB.deleteDatabase('compadre');
        const make = () => {
            const open = indexedDB.open('compadre', 10);
            open.onupgradeneeded = () => { const events = open.result.createObjectStore('events', { keyPath: 'id' }); events.createIndex('seq', 'seq'); events.createIndex('state', 'state'); open.result.createObjectStore('about', { keyPath: 'name' }); };
            open.onerror = () => done(String(open.error));
            open.onsuccess = () => {
                const id = '01999999-0000-7000-8000-000000000001';
                const work = open.result.transaction(['events', 'about'], 'readwrite');
                work.objectStore('events').put({ id, seq: 7, state: 'waiting', who: 'Ada P.', verdict: 'Has it', event: { id, schema: 1, kind: 'result', learner, knot: 'bowline', device: 'old-phone', device_seq: 7, observed_at: new Date().toISOString(), tying: 'yes', dressing: 'yes', tail: 'yes', how: 'attested', prompts: 0 } });
                work.objectStore('about').put({ name: 'device', value: 'old-phone' });
                work.objectStore('about').put({ name: 'seq', value: 7 });
                work.oncomplete = () => { open.result.close(); done('made'); };
            };
        };
        gone.onsuccess = make;
        gone.onerror = () => done(String(gone.error));
        JS, [$ada]);
    expect($made)->toBe('made');
    $this->visit('/check/bowline');
    $this->see('Tail: ');
    $this->allSent();
    expect($this->resultsToday('bowline'))->toBe(1);
    // And counts on where the old one stopped.
    $this->named('Bram K.: clean pass')->click();
    $this->see('Bram K.: Has it');
    $next = $this->asyncScript('const done = arguments[arguments.length - 1]; const open = indexedDB.open("compadre"); open.onsuccess = () => { const all = open.result.transaction("about").objectStore("about").get("seq"); all.onsuccess = () => done(all.result.value); };');
    expect($next)->toBe(8);
});

it('says so where the device can keep nothing more, and claims nothing', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/check/bowline');
    $this->see('Tail: ');
    $this->script('IDBObjectStore.prototype.add = function () { throw new DOMException("full", "QuotaExceededError"); }');
    $this->named('Ada P.: clean pass')->click();
    $this->see('its storage is full or closed. Nothing was recorded');
    $this->notSee('Ada P.: Has it');
    expect($this->resultsToday('bowline'))->toBe(0);
});

it('clears a device that was signed out from elsewhere, at its next contact', function (): void {
    $this->house();
    $this->signIn('wren');
    $this->see('Check');
    $this->until(fn (): bool => $this->asyncScript(HELD)[0] > 10, 'the group kept on the device', 60);
    $this->workerInCharge();
    $this->until(fn (): bool => $this->asyncScript('const done = arguments[arguments.length - 1]; caches.match("/api/knots").then((kept) => done(kept !== undefined), () => done(false))') === true, 'the knots kept', 60);
    // The lead, at the hall's computer, signs the helper's phone out.
    $this->within('foreach (App\Models\Device::query()->with("user")->get() as $one) { app(App\House\People\SignOutDevice::class)($one); }');
    // The page is shown the knots that are kept; that the phone is out is answered to the worker behind it, which tells the page.
    $this->script('void fetch("/api/knots")');
    $this->see('Ropes ready?');
    $this->until(fn (): bool => $this->asyncScript(HELD) === [0, 0, 0], 'nothing left');
    $this->visit('/crew');
    $this->see('Ropes ready?');
});

it('lists where people are signed in, and signs a phone out', function (): void {
    $this->house();
    $this->within('App\Models\Device::query()->create(["user_id" => App\Models\User::query()->where("email", "wren@gullwick.example")->firstOrFail()->id, "group_id" => App\Models\Group::query()->sole()->id, "label" => "Chrome on Android", "seen_at" => now()]);');
    $this->signIn();
    $this->goTo('/people');
    $this->see('Signed in on');
    $this->see('Chrome on Android');
    $this->accessible('people and their devices');
    $this->script('[...document.querySelectorAll("section li button")].find((one) => one.textContent.includes("Chrome on Android")).click()');
    $this->until(fn (): bool => ! str_contains($this->textNow(), 'Chrome on Android'), 'the phone gone from the list');
});

it('signs out without a network: clears the device at once, and tells the server later', function (): void {
    $this->house();
    $this->signIn();
    $this->until(fn (): bool => $this->asyncScript(HELD)[0] > 10, 'the group kept on the device', 60);
    $this->offline(true);
    $this->named('Group and account')->click();
    $this->named('Sign out')->click();
    $this->see('Ropes ready?');
    $this->until(fn (): bool => $this->asyncScript(HELD) === [0, 0, 0], 'nothing left');
    $this->visit('/crew');
    $this->see('Ropes ready?');
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->until(fn (): bool => $this->fetched('/api/house')['signed_in'] === false, 'the server told');
    $this->visit('/crew');
    $this->see('Ropes ready?');
});

it('marks who is here without a network, and the last word counts', function (): void {
    $this->house();
    $this->signIn();
    $this->see('0 of 16 here');
    $this->workerInCharge();
    $this->until(fn (): bool => $this->asyncScript(HELD)[0] > 10, 'the group kept on the device', 60);
    $this->offline(true);
    $this->named('Ada P., here or away')->click();
    $this->named('Bram K., here or away')->click();
    $this->see('2 of 16 here');
    $this->named('Bram K., here or away: here')->click();
    $this->see('1 of 16 here');
    $this->visit('/');
    $this->see('1 of 16 here');
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $meeting = $this->fetched('/api/me')['tonight'];
    $this->until(function () use ($meeting): bool {
        $roll = array_column($this->fetched("/api/meetings/$meeting")['roll'], 'present', 'name');

        return $roll['Ada P.'] === true && $roll['Bram K.'] === false;
    }, 'the roll on the server', 40);
    $this->see('1 of 16 here');
});

it('runs the evening without a network, over a reload, and tells the server of it as it was', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->signIn();
    $this->see('0 of 16 here');
    $this->workerInCharge();
    $this->until(fn (): bool => $this->asyncScript(HELD)[0] > 10, 'the group kept on the device', 60);
    $planned = fn (): array => $this->script('return [...document.querySelectorAll("[aria-labelledby=blocks] ol > li")].map((one) => one.textContent)');
    $this->offline(true);
    $this->named('Start the meeting')->click();
    $this->see('Now: Welcome');
    $this->see('1 note of the evening waits on this device. No network');
    $this->named('Next')->click();
    $this->see('Now: Old knot');
    $this->named('More: Bowline')->click();
    $this->named('Half now, half later')->click();
    $this->named('Next')->click();
    $this->named('More: Clear up')->click();
    $this->named('Skip')->click();
    $shown = $planned();
    $this->visit('/');
    $this->until(fn (): bool => $planned() === $shown, 'the same after a reload');
    $meeting = $this->fetched('/api/me')['tonight'];
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->until(fn (): bool => $this->fetched("/api/meetings/$meeting")['clock']['started_at'] !== null && ! str_contains($this->text(), 'of the evening'), 'the evening on the server', 40);
    $this->until(fn (): bool => $planned() === $shown, 'the server to make the same of it');
    $states = array_column($this->fetched("/api/meetings/$meeting")['clock']['blocks'], 'state');
    expect(array_count_values($states))->toMatchArray(['done' => 2, 'running' => 1, 'skipped' => 1]);
});

it('says what the server would not take of an evening, until somebody has seen it', function (): void {
    $this->house();
    $this->signIn();
    $this->see('0 of 16 here');
    $this->workerInCharge();
    $meeting = $this->fetched('/api/me')['tonight'];
    $this->until(fn (): bool => $this->asyncScript(HELD)[0] > 10, 'the group kept on the device', 60);
    $this->offline(true);
    $this->named('Start the meeting')->click();
    $this->see('Now: Welcome');
    // Meanwhile somebody at a desk puts the meeting on another day.
    $this->within("App\\Models\\Meeting::query()->findOrFail('$meeting')->update(['date' => '2031-05-06']);");
    $this->offline(false);
    $this->script('dispatchEvent(new Event("online"))');
    $this->see('The meeting was not started.');
    $this->see('a meeting of that day');
    $this->see('Tuesday, May 6');
    $this->named('All right')->click();
    $this->until(fn (): bool => ! str_contains($this->text(), 'was not started'), 'the word taken in');
    $this->visit("/meeting/$meeting");
    $this->see('Tuesday, May 6');
    expect($this->text())->not->toContain('was not started');
});
