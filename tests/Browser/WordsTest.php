<?php

declare(strict_types=1);

it('says nothing that is not in the words, and has room for a longer language', function (): void {
    $this->house();
    $this->screen(360, 740);
    $this->visit('/');
    $this->tryLanguage();
    $this->visit('/');
    $this->see($this->said('Plan the lesson'));
    $this->assertSame([], $this->plainWords(), 'sign-in');
    // Both would be found.
    $this->script('document.body.insertAdjacentHTML("beforeend", `<p id="planted" aria-label="Something unheard of" style="width: 4rem; overflow: hidden; white-space: nowrap">Whatever nobody says</p>`)');
    $this->assertSame(['Whatever nobody says', 'Something unheard of'], $this->plainWords());
    $this->assertSame(['Whatever nobody says'], $this->cutOff());
    $this->script('document.getElementById("planted").remove()');
    $this->signIn();
    foreach (['/' => 'Run sheet', '/course' => 'Badges', '/crew' => 'Learner', '/show' => 'Pick a knot', '/people' => 'Signed in on', '/house' => 'How knots are forgotten', '/along' => 'Which list', '/awards' => 'To hand over', '/practice-cards' => 'Practice cards', '/award-office' => 'Award office', '/verify' => 'Check a badge', '/gauges' => 'Tail gauges', '/home/bowline' => 'For a parent', '/pocket' => 'Print it for a wet pocket', '/store' => 'Rope store', '/check/of' => 'Who is in front of you', '/check/square-knot' => 'Tail:', '/knot/bowline' => 'What to look at', '/map' => 'What comes before what', '/bench' => 'What should stand at the end', '/bench/tripod' => 'What it is built of', '/bench/shear-legs' => 'Before any length is shown', '/bench/which' => 'Tempting, and left out', '/bench/instruments/line' => 'Instruments', '/bench/calibrate' => 'Nothing is measured yet', '/handout/bowline' => 'What to look at', '/phone' => 'The code', '/show/bowline' => 'Tie along', '/nowhere' => 'There is nothing at this address'] as $path => $words) {
        $this->visit($path);
        $this->see($this->said($words));
        foreach ([[360, 740], [1280, 800]] as [$width, $height]) {
            $this->screen($width, $height);
            $this->assertSame([], $this->plainWords(), "$path, $width wide");
            $this->assertSame([], $this->cutOff(), "$path, $width wide");
        }
        $this->screen(360, 740);
    }
});
