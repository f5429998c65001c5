<?php

declare(strict_types=1);

use Compadre\Core\Teaching\Block;
use Compadre\Core\Words\Saying;

it('divides a lesson into showing, tying along, tries and checking', function (): void {
    $parts = (new Block('new', 12.0, 'bowline', ['a'], new Saying('teaching.welcome'), checking: 2.0))->parts();
    expect(array_column($parts, 'minutes', 'part'))->toBe(['show' => 2.0, 'along' => 3.5, 'tries' => 4.5, 'check' => 2.0])->and((new Block('old', 3.0, 'bowline', ['a'], new Saying('teaching.welcome')))->parts())->toBe([]);
});
