<?php

declare(strict_types=1);

it('holds many groups: a host makes a place, its lead sets up there, and opens one or the other', function (): void {
    $this->house();
    $this->artisan('compadre:host', 'hedda@gullwick.example', 'Hedda Roe');
    preg_match('!/reset#\w+!', $this->artisan('compadre:host', 'hedda@gullwick.example'), $link);
    $this->visit($link[0]);
    $this->fill('Password', 'harbour-light-9');
    $this->named('Set password')->click();
    $this->see('Sign in with the new password');
    $this->visit('/');
    $this->fill('E-mail', 'hedda@gullwick.example');
    $this->fill('Password', 'harbour-light-9');
    $this->named('Sign in')->click();

    // Counts, and no learner.
    $this->see('This house');
    $this->see('1 group, 16 learners');
    $this->notSee('Ada P.');
    $this->accessibleInBoth('a house of many groups');
    $this->fill('For whom', 'Tarrow Shore Band');
    $this->field('Learners at most')->sendKeys('3');
    $this->named('Make a place')->click();
    $this->see('A place for Tarrow Shore Band');
    $place = parse_url(trim($this->find('[data-testid=join-link]')->getText()));
    $this->see('Places that wait');
    $this->accessible('a place that was made');
    $this->named('Sign out')->click();
    $this->see('Sign in');

    // Whoever leads another group here already uses their account.
    $this->visit("$place[path]#$place[fragment]");
    $this->see('Your group has a place in this house');
    $this->fill('Name of the group', 'Tarrow Shore Band');
    $this->named('Next')->click();
    $this->fill('Your name', 'Maren Holt');
    $this->fill('E-mail', 'maren@gullwick.example');
    $this->fill('Password', 'not-her-password-7');
    $this->named('Next')->click();
    $this->field('Learners, one a line')->sendKeys("Odd Q.\nPia S.");
    foreach (range(1, 2) as $step) {
        $this->named('Next')->click();
    }
    $this->find('input[type=checkbox]')->click();
    $this->named('Next')->click();
    $this->named('Start')->click();
    $this->see('give the password you sign in with');
    $this->fill('Password', $this->password());
    foreach (range(1, 4) as $step) {
        $this->named('Next')->click();
    }
    $this->named('Start')->click();
    $this->named('Crew')->click();
    $this->see('Odd Q.');
    $this->notSee('Ada P.');

    // From one to the other: what is shown is the group’s that is open, and no more learners come in than may be.
    $this->named('Add learners')->click();
    $this->field('Names')->sendKeys("Zoe A.\nYan B.");
    $this->named('Add 2 learners')->click();
    $this->see('your group may have 3 learners');
    $this->visit('/crew');
    $this->named('Group and account')->click();
    $this->named('Open Gullwick Lantern Crew')->click();
    $this->named('Open Gullwick Lantern Crew', '[role=dialog] button')->click();
    $this->see('16 here');
    $this->visit('/crew');
    $this->see('Ada P.');
    $this->notSee('Odd Q.');
});

it('closes a group and removes it, when its name is typed', function (): void {
    $this->house();
    $this->artisan('compadre:host', 'maren@gullwick.example');
    $this->signIn();
    $this->visit('/host');
    $this->named('Change: Gullwick Lantern Crew')->click();
    $this->see('How many it may have');
    $this->accessible('what a group may have');
    $this->named('Close this group')->click();
    $this->see('closed');
    // Whoever hosts the house is not shut out of it by that; nobody else is let in.
    $this->visit('/crew');
    $this->named('Change: Gullwick Lantern Crew')->click();
    $this->fill('The name of the group', 'Gullwick Lantern Crew');
    $this->named('Remove it for good')->click();
    // The worker takes it away, row by row.
    $this->see('No group yet');
    $this->visit('/crew');
    $this->see('0 groups, 0 learners');
});

it('looks through many groups, a page at a time, by a part of their names and by what has gone quiet', function (): void {
    $this->house();
    $this->within('foreach (range(1, 60) as $n) { App\Models\Group::query()->create(["name" => "Tarrow Shore Band $n", "time_zone" => "UTC", "units" => "mm", "age_from" => 8, "age_to" => 13]); }');
    $this->artisan('compadre:host', 'maren@gullwick.example');
    $this->signIn();
    $this->visit('/host');
    $this->see('61 groups, 16 learners');
    $this->see('Page 1 of 2, 61 groups');
    $this->accessible('many groups');
    $this->named('Next')->click();
    $this->see('Page 2 of 2, 61 groups');
    $this->see('Tarrow Shore Band 9');
    $this->fill('Find a group', 'band 17');
    $this->see('Tarrow Shore Band 17');
    $this->notSee('Tarrow Shore Band 9');
    // All are open; and only one group has ever checked anything.
    $this->fill('Show', 'shut');
    $this->see('No group is like that.');
    $this->fill('Show', 'quiet');
    $this->see('Tarrow Shore Band 17');
    $this->fill('Find a group', 'gullwick');
    $this->see('No group is like that.');
    $this->fill('Show', 'all');
    $this->see('Change');
    $this->named('Change: Gullwick Lantern Crew')->click();
    $this->see('How many it may have');
});
