<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;

it('takes an empty house to the same screens', function (): void {
    $this->house(false);
    preg_match('/code:\s+(\S+)/', $this->artisan('compadre:setup-state'), $code);
    $this->visit('/');
    $this->see('Set up your group');
    $this->accessible('set-up, group');
    $this->fill('The set-up code', 'NOBO-DYSC-ODES');
    $this->fill('Name of the group', 'Gullwick Lantern Crew');
    $this->named('Next')->click();
    $this->fill('Your name', 'Maren Holt');
    $this->fill('E-mail', 'maren@gullwick.example');
    $this->fill('Password', 'lantern-tail-77');
    $this->named('Next')->click();
    $this->field('Learners, one a line')->sendKeys('Ada P.'.WebDriverKeys::ENTER.'Bram K.'.WebDriverKeys::ENTER.'ada p.');
    $this->see('3 learners');
    $this->accessible('set-up, learners');
    $this->named('Next')->click();
    $this->fill('Diameter in mm', '-8');
    $this->named('Next')->click();
    // Nobody gets past the badges without one; what is missing is said in words.
    $this->see('working toward');
    $this->named('Next')->click();
    $this->see('make your own by ticking knots');
    $this->find('input[type=checkbox]')->click();
    $this->unfold('Make our own');
    $this->fill('What it is called', 'Harbour Watch');
    $this->named('Timber hitch', 'label')->click();
    $this->named('Bowline', 'label')->click();
    $this->accessible('set-up, badges');
    $this->named('Next')->click();
    $this->see('Meeting dates');
    $this->accessible('set-up, meetings');
    $this->named('Start')->click();

    // Each refusal leads to the question it is about, in words, and nothing typed is lost.
    $this->see('Diameter mm is not possible like this');
    expect($this->script('return document.body.innerText'))->not->toContain('/rope');
    expect($this->field('Diameter in mm')->getAttribute('value'))->toBe('-8');
    $this->fill('Diameter in mm', '8');
    $this->named('Next')->click();
    $this->named('Next')->click();
    $this->named('Start')->click();
    $this->see('This is not the set-up code');
    // The address that was printed carries the code.
    $this->field('The set-up code')->clear();
    $this->fill('The set-up code', strtolower($code[1]));
    foreach (range(1, 5) as $step) {
        $this->named('Next')->click();
    }
    $this->named('Start')->click();
    $this->see('There is a learner called "ada p." already');
    $this->field('Learners, one a line')->sendKeys([WebDriverKeys::CONTROL, 'a'])->sendKeys('Ada P.'.WebDriverKeys::ENTER.'Bram K.');
    foreach (range(1, 3) as $step) {
        $this->named('Next')->click();
    }
    $this->named('Start')->click();

    // The first meeting is today: the app opens on it.
    $this->see('Who is here');
    $this->see('0 of 2 here');
    $this->named('Course')->click();
    $this->see('Harbour Watch');
    $this->see('Timber hitch');
    $this->named('Crew')->click();
    $this->see('Ada P.');
    $this->named('Check')->click();
    $this->named('Ada P.: clean pass')->click();
    $this->see('Ada P.: Has it');
});

it('lets another leader join by a link, once', function (): void {
    $this->house();
    $this->signIn();
    $this->visit('/people');
    $this->see('Invite someone');
    $this->named('instructor')->click();
    $this->named('Make a link')->click();
    $link = strstr($this->find('[data-testid=join-link]')->getText(), '/join#');
    $this->accessible('people, with a link');
    $this->browser->manage()->deleteAllCookies();
    $this->visit((string) $link);
    $this->see('Join Gullwick Lantern Crew');
    $this->see('invited as instructor');
    $this->accessible('join');
    $this->fill('Your name', 'Tamsin Reed');
    $this->fill('E-mail', 'tamsin@gullwick.example');
    $this->fill('Password', 'harbour-light-9');
    $this->named('Join')->click();
    $this->see('Who is here');
    $this->browser->manage()->deleteAllCookies();
    $this->visit((string) $link);
    $this->see('This link was used');
});

it('sets a new password by the link from the command line', function (): void {
    $this->house();
    $link = strtok($this->artisan('compadre:reset-password', 'wren@gullwick.example'), "\n");
    $this->visit((string) strstr((string) $link, '/reset#'));
    $this->see('Set a new password');
    $this->accessible('reset');
    $this->fill('Password', 'harbour-light-9');
    $this->named('Set password')->click();
    $this->see('Sign in with the new password');
});
