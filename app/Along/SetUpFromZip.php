<?php

declare(strict_types=1);

namespace App\Along;

use App\House\EmptyHouse;
use App\House\People\ResetPassword;
use App\Models\KeptFile;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * The first visit of an empty house that a group moves to, with all it has.
 */
final readonly class SetUpFromZip
{
    public function __construct(private KeepFiles $files, private TakeGroup $take, private ResetPassword $reset)
    {
    }

    public function bring(Fields $asked): KeptFile
    {
        EmptyHouse::hold($asked->text('code'));

        return $this->files->bring(null, $asked->whole('bytes'));
    }

    public function part(string $file, Fields $part): void
    {
        EmptyHouse::holdEmpty();
        $this->files->part(self::given($file), $part);
    }

    /** What is in it; nothing is taken in. */
    public function look(string $file, Fields $asked): TakenIn
    {
        EmptyHouse::hold($asked->text('code'));

        return $this->files->read(self::given($file), $asked->textOrNull('password'), fn (ReadZip $zip): TakenIn => ($this->take)($zip, false, false));
    }

    /** People come without passwords: whoever takes the group in says which of its leads they are, and chooses a new one. */
    public function take(string $file, Fields $asked): User
    {
        return EmptyHouse::take($asked->text('code'), function () use ($file, $asked): User {
            $given = self::given($file);
            $taken = $this->files->read($given, $asked->textOrNull('password'), fn (ReadZip $zip): TakenIn => ($this->take)($zip, false, true));
            $emails = array_column($taken->leads, 'email');
            if (! in_array($asked->text('email'), $emails, true)) {
                throw Refusal::of('/email', $asked->text('email'), 'the address of one who leads it: '.implode(', ', $emails));
            }
            $lead = User::query()->where('email', $asked->text('email'))->firstOrFail();
            $this->reset->set($lead, Fields::of(['password' => $asked->text('new_password')]));
            $given->remove();

            return $lead->refresh();
        });
    }

    private static function given(string $file): KeptFile
    {
        return KeptFile::query()->whereNull('group_id')->where('kind', 'given')->findOrFail($file);
    }
}
