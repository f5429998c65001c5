<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use App\Models\KeptFile;
use Compadre\Core\Refusal;

/**
 * A group that is here already takes a zip of its own in: one that comes back from another house, or one of before.
 */
final readonly class TakeBack
{
    public function __construct(private KeepFiles $files, private TakeGroup $take, private WriteFiles $write)
    {
    }

    /**
     * @param  bool  $yes  else it is only said what it would do
     *
     * @throws Refusal
     */
    public function __invoke(Group $group, KeptFile $file, ?string $password, bool $yes): TakenIn
    {
        return $this->files->read($file, $password, function (ReadZip $zip) use ($group, $yes): TakenIn {
            if ($zip->group !== $group->id) {
                throw Refusal::of('/file', $zip->name, 'along.other_group', ['here' => $group->name, 'there' => $zip->name]);
            }
            $yes ? $this->keepBefore($group) : null;

            return ($this->take)($zip, true, $yes);
        });
    }

    /** What is here now can be had again. */
    private function keepBefore(Group $group): void
    {
        $this->write->keep($group, KeptFile::instead($group, 'before'));
    }
}
