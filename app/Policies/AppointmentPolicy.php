<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Appointment;
use App\Models\Right;
use App\Models\User;

final class AppointmentPolicy
{
    public function update(User $user, Appointment $appointment): bool
    {
        return $this->view($user, $appointment) && $user->may(Right::Book);
    }

    public function view(User $user, Appointment $appointment): bool
    {
        return $user->isActive() && $user->clinic_id === $appointment->clinic_id;
    }
}
