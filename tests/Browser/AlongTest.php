<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;

/** A list is pasted as from a clipboard, all at once. */
function pasted(string $text): string
{
    return 'const box = document.querySelector("textarea"); Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set.call(box, '.json_encode($text).'); box.dispatchEvent(new Event("input", { bubbles: true }));';
}

/** What the link to a zip gives, in a file. */
function zipFetched(Tests\BrowserCase $test): string
{
    $zip = $test->asyncScript('const done = arguments[arguments.length - 1]; fetch(document.querySelector("[data-testid=zip] a").href).then((r) => r.blob()).then((b) => { const read = new FileReader(); read.onload = () => done(read.result.split(",")[1]); read.readAsDataURL(b); });');
    file_put_contents($file = sys_get_temp_dir().'/fetched-'.bin2hex(random_bytes(6)).'.zip', base64_decode((string) $zip, true));

    return $file;
}

it('moves a group to an empty house with all it has, and brings in there what a phone had kept', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/along');
    $this->see('No zip has been written yet.');
    $this->accessible('take along');
    $before = $this->resultsOf('bowline');
    $this->named('We move: here the group is only looked at from now on', 'label')->click();
    $this->named('Write the zip, and move')->click();
    $this->see('This group has moved to another house');
    $this->find('[data-testid=zip][data-state=ready]');
    $this->accessible('a group that has moved');
    $file = zipFetched($this);

    // What is tapped on a phone meanwhile is not taken here, and is not lost.
    $this->goTo('/check/bowline');
    $this->named('Ada P.: clean pass')->click();
    $this->see('The group has moved to another house: save them as a file');
    $this->accessible('checks that cannot be sent');
    expect($this->resultsOf('bowline'))->toBe($before);
    $this->script('URL.createObjectURL = (file) => { void file.text().then((text) => { window.kept = text; }); return "#"; };');
    $this->named('Look')->click();
    $this->named('Save them as a file')->click();
    // That it was not taken is said there, too.
    $this->browser->manage()->getLog('browser');
    $kept = (string) $this->wait(fn (): mixed => $this->script('return window.kept'), 'the file');

    // Another house, and a browser that was never there.
    $this->visit('/app.webmanifest');
    $this->devtools('Storage.clearDataForOrigin', ['origin' => $this->script('return location.origin'), 'storageTypes' => 'all']);
    $this->browser->manage()->deleteAllCookies();
    $this->house(false);
    preg_match('/code:\s+(\S+)/', $this->artisan('compadre:setup-state'), $code);
    $this->visit('/');
    $this->see('Set up your group');
    $this->named('Or bring a group that has lived in another house')->click();
    $this->see('Bring your group here');
    $this->fill('The set-up code', $code[1]);
    $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)->sendKeys($file);
    $this->accessible('set-up from a zip');
    $this->named('Look what is in it')->click();
    $this->see('Gullwick Lantern Crew, with:');
    $this->named('Maren Holt')->click();
    $this->accessible('set-up from a zip, looked at');
    $this->fill('Your new password here', 'copper-gull-evening');
    $this->named('Take the group in')->click();
    $this->see('Who is here');
    unlink($file);
    expect($this->resultsOf('bowline'))->toBe($before);
    $this->goTo('/along');
    $this->field('Which list')->findElement(WebDriverBy::cssSelector('option[value=events]'))->click();
    $this->script(pasted($kept));
    $this->see('1 row is new. Nothing is taken in yet.');
    $this->named('Take in 1 row')->click();
    $this->see('1 row taken in.');
    expect($this->resultsOf('bowline'))->toBe($before + 1);
    $this->noConsoleErrors();
});

it('brings lists in after saying what each row would do, and copies them as a table', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/along');
    $this->see('Which list');
    $this->script(pasted("Years\tWho\tShoe size\n12\tAda P.\t36\n9\tZoe A.\t35\n99\tOdd Q.\t40\n"));
    $this->see('1 row is new, 1 changes something, 1 has a fault. Nothing is taken in yet.');
    $this->see('this list has no such column: Shoe size');
    $this->see('The age is "99"');
    $this->accessible('a list that is looked at');
    $this->named('Take in 2, leave those with a fault')->click();
    $this->see('2 rows taken in.');
    expect(array_column($this->fetched('/api/crew')['learners'], 'age_band', 'name'))->toMatchArray(['Ada P.' => '11-13', 'Zoe A.' => '8-10'])->not->toHaveKey('Odd Q.');
    // Results that were noted on paper.
    $this->field('Which list')->findElement(WebDriverBy::cssSelector('option[value=results]'))->click();
    [$today, $before] = [$this->fetched('/api/me')['today'], $this->resultsOf('timber-hitch')];
    $this->script(pasted("Day,Learner,Knot,Result\n$today,Zoe A.,Timber hitch,has it\n$today,Zoe A.,Lover,has it\n"));
    $this->see('There is no knot called "Lover"');
    $this->named('Take in 1, leave those with a fault')->click();
    $this->see('1 row taken in.');
    expect($this->resultsOf('timber-hitch'))->toBe($before + 1);
    $this->devtools('Browser.grantPermissions', ['permissions' => ['clipboardReadWrite', 'clipboardSanitizedWrite']]);
    $this->field('Which list')->findElement(WebDriverBy::cssSelector('option[value=roster]'))->click();
    $this->named('Copy it as a table')->click();
    $this->see('Copied: paste it into a spreadsheet.');
    $copied = (string) $this->asyncScript('const done = arguments[arguments.length - 1]; navigator.clipboard.readText().then(done, (no) => done(String(no)));');
    expect($copied)->toStartWith("name\tage\thand\tpatrol")->toContain("Zoe A.\t8-10\t\t");
    $this->noConsoleErrors();
});

it('takes a zip of its own back after saying what it would change', function (): void {
    $this->house();
    $this->signIn();
    $this->goTo('/along');
    $this->fill('A password for it', 'harbour lantern 5');
    $this->named('Write the zip')->click();
    $this->find('[data-testid=zip][data-state=ready]');
    $file = zipFetched($this);
    $ada = array_column($this->fetched('/api/crew')['learners'], 'id', 'name')['Ada P.'];
    $this->within("App\\Models\\Learner::query()->whereKey('$ada')->update(['name' => 'Ada Q.'])");
    $inputs = $this->browser->findElements(WebDriverBy::cssSelector('input[type=file]'));
    end($inputs)->setFileDetector(new LocalFileDetector)->sendKeys($file);
    $this->named('Look what is in it')->click();
    $this->see('It is locked: enter the password');
    $this->browser->manage()->getLog('browser');
    $this->fill('The password it was locked with', 'harbour lantern 5');
    $this->named('Look what is in it')->click();
    $this->see('here would become what is in the zip');
    expect($this->find('[data-testid=would]')->getText())->toContain('Ada P.')->toContain('1 changed');
    $this->accessible('a zip that comes back');
    $this->named('Take it in')->click();
    $this->see('Gullwick Lantern Crew is as it was in the zip.');
    unlink($file);
    expect(array_column($this->fetched('/api/crew')['learners'], 'name', 'id')[$ada])->toBe('Ada P.');
    $this->see('What was here before a zip was taken in');
    $this->noConsoleErrors();
});
