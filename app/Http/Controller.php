<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;

/**
 * Controllers hand a request to an action or a board and its answer back; they decide nothing.
 */
abstract class Controller
{
    protected function user(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : throw new AuthenticationException;
    }

    protected function group(Request $request): Group
    {
        return $this->user($request)->group;
    }

    protected function fields(Request $request): Fields
    {
        return Fields::of($request->json()->all());
    }

    /** A field of the address; null where it is not there once. */
    protected function asked(Request $request, string $field): ?string
    {
        $value = $request->query($field);

        return is_string($value) ? $value : null;
    }
}
