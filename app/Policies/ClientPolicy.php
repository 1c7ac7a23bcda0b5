<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Client;
use App\Models\Right;
use App\Models\User;

/** A client belongs to a clinic; nothing is readable across clinics. */
final class ClientPolicy
{
    public function view(User $user, Client $client): bool
    {
        return $user->clinic_id === $client->clinic_id && $user->isActive();
    }

    public function create(User $user): bool
    {
        return $user->may(Right::Book);
    }

    /** Who they are, how they are reached, whether they are put away. */
    public function update(User $user, Client $client): bool
    {
        return $this->view($user, $client) && $user->may(Right::Book) && $client->erased_at === null && $client->merged_into_id === null;
    }

    /** Findings, courses and notes: not for reception. */
    public function viewClinical(User $user, Client $client): bool
    {
        return $this->view($user, $client) && $user->may(Right::ReadClinical);
    }

    /** A visit is begun with somebody who is there: not with a code that was erased, nor with a record that went into another. */
    public function treat(User $user, Client $client): bool
    {
        return $this->update($user, $client) && $user->may(Right::WriteClinical);
    }

    /** Adds words of their own to a report that leaves the house: nobody whose notes wait for a second name. */
    public function report(User $user, Client $client): bool
    {
        return $this->treat($user, $client) && ! $user->role->isSupervised();
    }

    /** Visits from a file into the record. */
    public function bring(User $user, Client $client): bool
    {
        return $this->treat($user, $client);
    }

    /** Records change hands, so it takes somebody who answers for them. */
    public function merge(User $user, Client $client): bool
    {
        return $this->update($user, $client) && $user->may(Right::Countersign);
    }

    public function erase(User $user, Client $client): bool
    {
        return $this->update($user, $client) && $user->may(Right::KeepClinic);
    }
}
