<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;
use Tests\TestHouse;

it('opens and shows every knot with no network once it was opened', function (): void {
    $this->house();
    $this->signIn();
    $this->see('Run sheet');
    // The worker has the app, and every knot from every side.
    $this->wait(fn (): ?bool => $this->browser->executeScript('return localStorage.getItem("compadre-packs-kept") !== null') ? true : null, 'all knots kept', 90);
    $this->visit('/course');
    $this->see('Lantern Hand');
    $this->visit('/crew');
    $this->see('Learner');
    $knots = array_column($this->fetched('/api/knots')['knots'], 'id');
    $count = $this->asyncScript(<<<'JS'
        const [parts, done] = arguments;
        const whole = (part) => fetch(`/api/knots-to-keep?part=${part}`).then((r) => r.json()).then((told) => (told.whole ? told : whole(part)));
        Promise.all(parts.map(whole)).then((all) => {
          window.toKeep = all.flatMap(({ answers }) => answers);
          done(toKeep.length);
        });
        JS, [['learner', 'across', 'behind', 'left', 'compared', 'space']]);
    expect($count)->toBeGreaterThan(6 * count($knots));
    $this->offline(true);
    // From every side, held against what it becomes, and in space: what was told to be kept is what is answered.
    $missed = $this->asyncScript(<<<'JS'
        const [done] = arguments;
        (async () => {
          const missed = [];
          for (const { address, answer } of toKeep) {
            const kept = await fetch(address).then((r) => r.json()).catch(String);
            if (JSON.stringify(kept) !== JSON.stringify(answer)) missed.push(address);
          }
          return missed;
        })().then(done);
        JS);
    expect($missed)->toBe([]);
    $this->visit('/show');
    $this->see('No network');
    $this->see('Sheet bend');
    $this->visit('/show/bowline');
    $this->see('Make a small loop');
    $this->press('v', WebDriverKeys::ARROW_RIGHT);
    $this->see('Facing the room');
    $this->visit('/crew');
    $this->see('Ada P.');
    $this->visit('/course');
    $this->see('Lantern Hand');
    $this->offline(false);
    $this->visit('/course');
    $this->wait(fn (): ?bool => str_contains($this->text(), 'No network') ? null : true, 'the network again');
    // Signing out leaves nothing of the group behind, nor what was still on its way.
    $this->named('Group and account')->click();
    $this->browser->executeScript('for (const knot of arguments[0]) void fetch("/api/check/" + knot);', [$knots]);
    $this->named('Sign out')->click();
    $this->see('Ropes ready?');
    $left = $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; caches.keys().then((names) => Promise.all(names.filter((n) => ["group", "knots", "bench"].includes(n)).map((n) => caches.open(n).then((c) => c.keys()).then((k) => k.map((r) => r.url))))).then((all) => done(all.flat().filter((u) => !u.endsWith("/api/house"))));');
    expect($left)->toBe([]);
});

it('leaves what was kept to the same person alone, where a session ran out', function (): void {
    $this->house();
    $this->signIn();
    $this->workerInCharge();
    $keptAll = fn (): bool => $this->script('return localStorage.getItem("compadre-packs-kept") !== null') === true;
    $this->until($keptAll, 'everything kept', 90);
    $isKept = fn (): bool => $this->asyncScript('const done = arguments[arguments.length - 1]; caches.match("/api/learners/kept-before").then((found) => done(found !== undefined));') === true;
    $this->asyncScript('const done = arguments[arguments.length - 1]; caches.open("group").then((group) => group.put("/api/learners/kept-before", new Response("{}"))).then(() => done());');
    foreach (['maren' => true, 'wren' => false] as $who => $finds) {
        // As when it ran out: an answer that is still on its way does not bring it back.
        $this->within('Illuminate\\Support\\Facades\\DB::table("sessions")->delete(); Illuminate\\Support\\Facades\\DB::table("remembered")->delete()');
        $this->visit('/');
        $this->see('Ropes ready?');
        expect($isKept())->toBeTrue();
        $this->comeIn($who);
        expect($isKept())->toBe($finds, $who);
    }
});

it('can be installed', function (): void {
    $this->house();
    $this->visit('/');
    $this->find('input[type=email]');
    $manifest = $this->fetched((string) $this->browser->executeScript('return document.querySelector("link[rel=manifest]").href'));
    expect($manifest)->toMatchArray(['name' => 'Compadre', 'display' => 'standalone', 'start_url' => '/', 'scope' => '/']);
    $this->wait(fn (): ?bool => $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then((r) => done(r.active !== null));') ? true : null, 'the worker');
    $icon = $this->browser->executeAsyncScript('const done = arguments[arguments.length - 1]; fetch(arguments[0]).then((r) => done(r.ok));', [$manifest['icons'][0]['src']]);
    expect($icon)->toBeTrue();
});

it('shows what is kept where the server is slow, and its answer as soon as that is here', function (): void {
    $this->house();
    $this->signIn();
    $this->workerInCharge();
    $this->visit('/crew');
    $this->see('Ada P.');
    $this->until(fn (): bool => $this->asyncScript('const done = arguments[arguments.length - 1]; caches.match("/api/crew").then((kept) => done(kept !== undefined));') === true, 'the crew kept');
    $house = TestHouse::settings();
    $slow = new PDO("mysql:host={$house['DB_HOST']};port={$house['DB_PORT']};dbname={$house['DB_DATABASE']}", $house['DB_USERNAME'], $house['DB_PASSWORD']);
    // Whoever asks for a learner waits until this lets go of them.
    $slow->exec('LOCK TABLES learners WRITE');
    $slow->exec("UPDATE learners SET name = 'Ada Q.' WHERE name = 'Ada P.'");
    $this->visit('/crew');
    $this->see('Ada P.');
    $slow->exec('UNLOCK TABLES');
    $this->see('Ada Q.');
    $this->notSee('Ada P.');
});
