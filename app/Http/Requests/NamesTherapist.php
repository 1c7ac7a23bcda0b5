<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Validation\ValidationException;

/** With whom: somebody who works at the table here; whoever asks, where nobody is named and they do. */
trait NamesTherapist
{
    /** @return list<mixed> */
    private function therapistRules(): array
    {
        return ['nullable', 'integer', function (string $name, mixed $value, \Closure $fail): void {
            if (! $this->hands()->whereKey($value)->exists()) {
                $fail('Nobody of that number works at the table here.');
            }
        }];
    }

    /** @throws ValidationException where whoever asks does not treat, and there is more than one who does */
    public function therapist(): User
    {
        /** @var User $user */
        $user = $this->user();
        if ($this->filled('person')) {
            return $this->hands()->with('clinic')->findOrFail($this->integer('person'));
        }
        if ($user->may(Right::WriteClinical)) {
            return $user;
        }
        $hands = $this->hands()->with('clinic')->limit(2)->get();

        return $hands->count() === 1 ? $hands->firstOrFail() : throw ValidationException::withMessages(['person' => 'With whom?']);
    }

    /** @return Builder<User> */
    private function hands(): Builder
    {
        return User::atTheTable((int) $this->user()?->clinic_id);
    }
}
