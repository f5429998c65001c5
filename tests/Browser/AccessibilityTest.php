<?php

declare(strict_types=1);

it('has nothing serious against it on any screen', function (int $width, int $height): void {
    $this->house();
    $this->screen($width, $height);
    $this->visit('/');
    $this->browser->executeScript("localStorage.setItem('compadre-scheme', 'light')");
    $this->visit('/');
    $this->find('input[type=email]');
    $this->accessibleInBoth('sign-in');
    $this->signIn();
    $this->see('Run sheet');
    $this->accessibleInBoth('session');
    $this->named('Ada P., here or away')->click();
    $this->see('1 of 16 here');
    $this->accessibleInBoth('session, one here');
    foreach (['/course' => 'Badges', '/crew' => 'Learner', '/show' => 'Pick a knot', '/people' => 'Signed in on', '/house' => 'How knots are forgotten', '/along' => 'Which list', '/pocket' => 'Print it for a wet pocket', '/check/of' => 'Who is in front of you', '/knot/bowline' => 'What to look at', '/map' => 'What comes before what', '/bench' => 'What should stand at the end', '/bench/tripod' => 'What it is built of', '/bench/shear-legs' => 'Before any length is shown', '/bench/which' => 'Tempting, and left out', '/bench/instruments/line' => 'Pull at each anchor', '/bench/calibrate' => 'Nothing is measured yet', '/handout/bowline' => 'What to look at', '/phone' => 'The code', '/check/square-knot' => 'Tail:'] as $path => $words) {
        $this->visit($path);
        $this->see($words);
        $this->accessibleInBoth("$path");
    }
    $this->lookCloser('Cleo M.');
    $this->see('Tying');
    $this->accessibleInBoth('check, parts open');
    $this->named('Not right')->click();
    $this->see('What does it look like?');
    $this->accessibleInBoth('check, mistakes open');
    $this->named('Close')->click();
    $this->named('Cleo M.: clean pass')->click();
    $this->see('Cleo M.: Has it');
    $this->accessibleInBoth('check, with undo');
    $this->visit('/crew');
    $this->unfold('How to read a mark');
    $this->accessibleInBoth('crew, legend open');
    $this->named('Add learners')->click();
    $this->see('Names');
    $this->accessibleInBoth('crew, adding');
    $this->named('Close')->click();
    $this->named('Greta L.')->click();
    $this->see('History');
    $this->accessibleInBoth('learner');
    $this->visit('/course');
    $this->named('Add a meeting')->click();
    $this->see('Starts at');
    $this->accessibleInBoth('course, adding');
    $this->visit('/show/bowline');
    $this->see('Make a small loop');
    $this->accessibleInBoth('demonstrate');
    $this->visit('/course');
    $this->see('Badges');
    $this->named('Group and account')->click();
    $this->see('Sign out');
    $this->accessibleInBoth('menu open');
})->with([[1280, 800], [360, 740]]);
