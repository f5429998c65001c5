<?php

declare(strict_types=1);

namespace App\Along;

use App\House\EmptyHouse;
use App\House\People\KnownAccount;
use App\House\People\ResetPassword;
use App\Models\KeptFile;
use App\Models\Membership;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * The first visit of an empty house that a group moves to, or of a place in one of many, with all it has.
 */
final readonly class SetUpFromZip
{
    public function __construct(private KeepFiles $files, private TakeGroup $take, private ResetPassword $reset, private KnownAccount $known)
    {
    }

    public function bring(Fields $asked, bool $fromNetwork): KeptFile
    {
        EmptyHouse::hold($asked->text('code'), $fromNetwork);

        return $this->files->bring(null, $asked->whole('bytes'));
    }

    public function part(string $file, Fields $part, bool $fromNetwork): void
    {
        EmptyHouse::holdRoom($fromNetwork);
        $this->files->part(self::given($file), $part);
    }

    /** What is in it; nothing is taken in. */
    public function look(string $file, Fields $asked, bool $fromNetwork): TakenIn
    {
        EmptyHouse::hold($asked->text('code'), $fromNetwork);

        return $this->files->read(self::given($file), $asked->textOrNull('password'), fn (ReadZip $zip): TakenIn => ($this->take)($zip, false, false));
    }

    /**
     * People come without passwords: whoever takes the group in says which of its leads they are, and chooses a new one. A zip names people by
     * their addresses, and opens nobody's account by that: where there is one in this house already, it is its password that is given.
     *
     * @return Membership who leads it
     */
    public function take(string $file, Fields $asked, bool $fromNetwork): Membership
    {
        return EmptyHouse::take($asked->text('code'), $fromNetwork, fn (): ?User => $this->known->prove($asked, 'new_password'), function (?User $known) use ($file, $asked): Membership {
            $given = self::given($file);
            $taken = $this->files->read($given, $asked->textOrNull('password'), fn (ReadZip $zip): TakenIn => ($this->take)($zip, false, true));
            $emails = array_column($taken->leads, 'email');
            if (! in_array($asked->text('email'), $emails, true)) {
                throw Refusal::of('/email', $asked->text('email'), 'along.lead_address', ['addresses' => $emails]);
            }
            $lead = $known;
            if ($lead === null) {
                $lead = User::query()->where('email', $asked->text('email'))->firstOrFail();
                $this->reset->set($lead, Fields::of(['password' => $asked->text('new_password')]));
            }
            $given->remove();

            return $lead->inForce()->where('group_id', $taken->group)->sole();
        });
    }

    private static function given(string $file): KeptFile
    {
        return KeptFile::query()->whereNull('group_id')->where('kind', 'given')->findOrFail($file);
    }
}
