<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\GroupLimits;
use Random\Engine\Mt19937;
use Random\Randomizer;

it('lets in exactly as many as may be, one by one as all at once', function (): void {
    $random = new Randomizer(new Mt19937(18));
    for ($case = 0; $case < 500; $case++) {
        $most = $random->getInt(0, 4) === 0 ? null : $random->getInt(1, 12);
        [$have, $more] = [$random->getInt(0, 15), $random->getInt(0, 6)];
        // The slow way: each comes in by themselves, as long as there is room.
        $fits = true;
        for ($come = 0, $in = $have; $come < $more; $come++, $in++) {
            $fits = $fits && ($most === null || $in < $most);
        }
        foreach (['holdLearners' => new GroupLimits(learners: $most), 'holdPeople' => new GroupLimits(people: $most)] as $hold => $limits) {
            $refused = null;
            try {
                $limits->{$hold}($have, $more);
            } catch (Refusal $no) {
                $refused = $no->toArray();
            }
            expect($refused === null)->toBe($fits, "$have and $more of ".($most ?? 'any'));
            if ($refused !== null) {
                expect($refused['field'])->toBe($hold === 'holdLearners' ? '/learners' : '/people')->and($refused['value'])->toBe($have + $more)->and($refused['allowed'])->toBe("at most $most")
                    ->and($refused['message'])->toContain('so '.max(0, $most - $have).' more can be added');
            }
        }
    }
});

it('takes nobody away: a group that has more than it may have is as good as before', function (): void {
    (new GroupLimits(3, 1))->holdLearners(10, 0);
    (new GroupLimits(3, 1))->holdPeople(4, 0);
    (new GroupLimits(3, null))->holdPeople(400, 5);
    expect(fn () => (new GroupLimits(3, 1))->holdLearners(10, 1))->toThrow(Refusal::class);
});
