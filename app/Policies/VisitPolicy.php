<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\Models\Visit;

final class VisitPolicy
{
    public function view(User $user, Visit $visit): bool
    {
        return $user->clinic_id === $visit->clinic_id && $user->role->readsClinical();
    }

    /** A signed record is frozen. */
    public function update(User $user, Visit $visit): bool
    {
        return $this->view($user, $visit) && ! $visit->isSigned();
    }

    public function correct(User $user, Visit $visit): bool
    {
        return $this->view($user, $visit) && $visit->isSigned();
    }
}
