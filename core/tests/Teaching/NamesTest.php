<?php

declare(strict_types=1);

use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\LearnerName;

it('tells walk-ins of the same name apart by a number', function (): void {
    expect(LearnerName::apart('Ada P.', ['Bram K.']))->toBe('Ada P.');
    expect(LearnerName::apart('Ada P.', ['ada p.']))->toBe('Ada P. 2');
    expect(LearnerName::apart('Ada P.', ['Ada P.', 'ADA P. 2', 'Ada P. 4']))->toBe('Ada P. 3');
});

it('knows the band of an age', function (int $age, string $band): void {
    expect(AgeBand::of($age)->value)->toBe($band);
})->with([[4, '5-7'], [7, '5-7'], [8, '8-10'], [10, '8-10'], [11, '11-13'], [13, '11-13'], [14, '14+'], [40, '14+']]);
