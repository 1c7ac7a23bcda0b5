<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Right;
use App\Models\User;
use App\Models\Visit;

final class VisitPolicy
{
    public function view(User $user, Visit $visit): bool
    {
        return $user->clinic_id === $visit->clinic_id && $user->may(Right::ReadClinical);
    }

    /** A signed record is frozen, and one from elsewhere is not ours to change; a student writes in the visits they began. */
    public function update(User $user, Visit $visit): bool
    {
        return $this->writes($user, $visit) && ! $visit->isSigned() && $visit->origin === 'here';
    }

    /** Whether it is signed already is answered where it is signed: whoever sends it a second time is told what came of the first. */
    public function sign(User $user, Visit $visit): bool
    {
        return $this->writes($user, $visit) && $visit->origin === 'here' && $user->may(Right::SignNotes);
    }

    public function correct(User $user, Visit $visit): bool
    {
        return $this->writes($user, $visit) && $visit->isSigned() && $user->may(Right::SignNotes);
    }

    /** Nobody vouches for themselves. */
    public function countersign(User $user, Visit $visit): bool
    {
        return $this->view($user, $visit)
            && $visit->isSigned()
            && $user->may(Right::Countersign)
            && $user->licensed
            && $visit->user_id !== $user->id;
    }

    private function writes(User $user, Visit $visit): bool
    {
        return $this->view($user, $visit)
            && $user->may(Right::WriteClinical)
            && (! $user->role->isSupervised() || $visit->user_id === $user->id);
    }
}
