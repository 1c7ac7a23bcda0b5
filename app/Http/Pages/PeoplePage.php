<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Right;
use App\Models\Role;
use App\Models\User;

/** Everybody who works in a clinic, and what they are. */
final readonly class PeoplePage
{
    /** @return array<string, mixed> */
    public function of(User $owner): array
    {
        $people = User::query()->where('clinic_id', $owner->clinic_id)->with('roles')->orderBy('name')->get();

        return [
            'people' => $people->map(static fn (User $one): array => [
                'id' => $one->id, 'name' => $one->name, 'email' => $one->email, 'role' => $one->role->value, 'licensed' => $one->licensed,
                'experience' => $one->experience, 'supervisor_id' => $one->supervisor_id,
                'state' => match (true) {
                    ! $one->isActive() => 'closed',
                    $one->invited_at !== null => 'invited',
                    default => 'active',
                },
                'self' => $one->id === $owner->id, 'second' => $one->second_factor !== null,
            ])->values(),
            'roles' => array_map(
                static fn (Role $role): array => [
                    'id' => $role->value, 'name' => $role->words(),
                    'rights' => array_map(static fn (Right $right): string => $right->words(), $role->rights()),
                ],
                Role::cases(),
            ),
            'supervisors' => User::supervisors($owner->clinic_id)
                ->orderBy('name')
                ->get(['id', 'name'])
                ->map(static fn (User $one): array => ['id' => $one->id, 'name' => $one->name])
                ->values(),
        ];
    }
}
