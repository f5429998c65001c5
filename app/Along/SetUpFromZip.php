<?php

declare(strict_types=1);

namespace App\Along;

use App\House\EmptyHouse;
use App\House\People\ResetPassword;
use App\Http\Tries;
use App\Models\KeptFile;
use App\Models\Membership;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\Hash;

/**
 * The first visit of an empty house that a group moves to, or of a place in one of many,, with all it has.
 */
final readonly class SetUpFromZip
{
    /** Tries at the password of an account that is here already, a minute. */
    private const TRIES = 5;

    public function __construct(private KeepFiles $files, private TakeGroup $take, private ResetPassword $reset, private Tries $tries)
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
     * People come without passwords: whoever takes the group in says which of its leads they are, and chooses a new one; where they have an
     * account in this house already, it is its own.
     *
     * @return Membership who leads it
     */
    public function take(string $file, Fields $asked, bool $fromNetwork): Membership
    {
        return EmptyHouse::take($asked->text('code'), $fromNetwork, function () use ($file, $asked): Membership {
            $given = self::given($file);
            $taken = $this->files->read($given, $asked->textOrNull('password'), fn (ReadZip $zip): TakenIn => ($this->take)($zip, false, true));
            $emails = array_column($taken->leads, 'email');
            if (! in_array($asked->text('email'), $emails, true)) {
                throw Refusal::of('/email', $asked->text('email'), 'the address of one who leads it: '.implode(', ', $emails));
            }
            $lead = User::query()->where('email', $asked->text('email'))->firstOrFail();
            $lead->password === null ? $this->reset->set($lead, Fields::of(['password' => $asked->text('new_password')])) : $this->prove($lead, $asked);
            $given->remove();

            return $lead->inForce()->where('group_id', $taken->group)->sole();
        });
    }

    /** A zip names people by their addresses, and opens nobody's account by that. */
    private function prove(User $lead, Fields $asked): void
    {
        $this->tries->take("password of $lead->id", self::TRIES, 60);
        if (! Hash::check($asked->text('new_password'), (string) $lead->password)) {
            throw Refusal::saying('/email', $lead->email, 'the password of the account that is here already', 'This lead has an account in this house already: give the password it is signed in to with. Nothing was taken in.');
        }
        $this->tries->giveBack("password of $lead->id");
    }

    private static function given(string $file): KeptFile
    {
        return KeptFile::query()->whereNull('group_id')->where('kind', 'given')->findOrFail($file);
    }
}
