<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Right;
use App\Models\User;

/** Who keeps the people of a clinic. */
final class UserPolicy
{
    public function viewAny(User $user): bool
    {
        return $user->may(Right::KeepPeople);
    }

    /** Works at the table, and has a calendar of their own. */
    public function treat(User $user): bool
    {
        return $user->may(Right::WriteClinical);
    }

    public function manage(User $user, User $person): bool
    {
        return $user->may(Right::KeepPeople) && $user->clinic_id === $person->clinic_id;
    }
}
