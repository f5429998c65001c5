<?php

declare(strict_types=1);

/** What scripts a page has fetched by now, in bytes as they came, by name. */
const SCRIPTS = 'return Object.fromEntries(performance.getEntriesByType("resource").filter((one) => one.name.endsWith(".js")).map((one) => [one.name.split("/").pop().split("-")[0], one.encodedBodySize]));';

it('stands there before the rest has been fetched, and leads in where one wanted to go', function (): void {
    $this->house();
    $this->visit('/crew');
    $this->see('Ropes ready?');
    $first = $this->script(SCRIPTS);
    expect(array_sum($first))->toBeGreaterThan(1000)->toBeLessThan(20_000);
    expect($first)->toHaveKey('main')->not->toHaveKey('enter');
    // Whoever begins to type is about to need it.
    $this->find('input[type=email]')->click();
    $this->until(fn (): bool => array_key_exists('enter', $this->script(SCRIPTS)), 'the app fetched');
    $this->find('input[type=email]')->sendKeys('maren@gullwick.example');
    $this->find('input[type=password]')->sendKeys('not-the-password');
    $this->find('button[type=submit]')->click();
    $this->see('do not belong together');
    // A second try says what is wrong with that one, once.
    $this->find('input[type=password]')->clear()->sendKeys('nor-this-one-either');
    $this->find('button[type=submit]')->click();
    $this->until(fn (): bool => $this->script('return document.querySelectorAll("[role=alert] p").length') === 1 && $this->find('button[type=submit]')->isEnabled(), 'one fault');
    expect($this->find('input[type=email]')->getAttribute('value'))->toBe('maren@gullwick.example');
    $this->find('input[type=password]')->clear()->sendKeys($this->password());
    $this->find('button[type=submit]')->click();
    $this->find('[data-testid=board]');
    expect(parse_url($this->browser->getCurrentURL(), PHP_URL_PATH))->toBe('/crew');
    // The next time it is not asked for, and the app does not wait for the answer to be fetched.
    $this->visit('/crew');
    $this->find('[data-testid=board]');
    $this->notSee('Ropes ready?');
});

it('asks again where the sign-in has ended meanwhile', function (): void {
    $this->house();
    $this->signIn();
    $this->see('Run sheet');
    // From a page that asks for nothing; an answer that was on its way brings the cookie back, so more than once.
    $this->visit('/mark.svg');
    $this->until(function (): bool {
        $this->browser->manage()->deleteAllCookies();

        return $this->fetched('/api/house')['signed_in'] === false;
    }, 'signed out');
    $this->visit('/course');
    $this->see('Ropes ready?');
    $this->find('input[type=email]')->sendKeys('maren@gullwick.example');
    $this->find('input[type=password]')->sendKeys($this->password());
    $this->find('button[type=submit]')->click();
    $this->see('Lantern Hand');
    expect(parse_url($this->browser->getCurrentURL(), PHP_URL_PATH))->toBe('/course');
});

it('can be read and used without sight of it, in light and dark', function (): void {
    $this->house();
    $this->screen(390, 844);
    $this->visit('/');
    $this->see('Ropes ready?');
    $this->accessibleInBoth('the sign-in');
    $this->tabTo('Sign in');
    expect($this->script('return [...document.querySelectorAll("input")].map((one) => one.labels[0].textContent)'))->toBe(['E-mail', 'Password']);
});
