<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\SendLink;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Somatrace\Core\Clinic;

/** Invites people, changes what they are, and closes or opens their account; a clinic always keeps one owner who can sign in. */
final readonly class ChangePerson
{
    public function __construct(private Clinic $core)
    {
    }

    /** @param  array{name: string, email: string, licensed: bool, experience: string, supervisor_id: int|null}  $told */
    public function invite(User $by, Role $role, array $told, CarbonImmutable $now): User
    {
        // what is held and owned they say themselves; until then no plan of theirs counts on it
        $person = DB::transaction(fn (): User => User::hire($role, [
            ...$told, 'clinic_id' => $by->clinic_id, 'password' => Str::random(60),
            'tools' => $this->core->hands(), 'invited_at' => $now,
        ]));
        SendLink::dispatch($person->email, $by->name);

        return $person;
    }

    /** @param  array{licensed: bool, experience: string, supervisor_id: int|null}  $told */
    public function change(User $person, Role $role, array $told): void
    {
        DB::transaction(function () use ($person, $role, $told): void {
            $person->update($told);
            $person->syncRoles($role->value);
            $this->keepAnOwner($person->clinic_id);
        });
    }

    public function close(User $person, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($person, $now): void {
            $person->update(['deactivated_at' => $now]);
            DB::table('password_reset_tokens')->where('email', $person->email)->delete();
            $this->keepAnOwner($person->clinic_id);
        });
    }

    public function open(User $person): void
    {
        $person->update(['deactivated_at' => null]);
    }

    private function keepAnOwner(int $clinic): void
    {
        if (
            ! User::query()
                ->whereRelation('roles', 'name', Role::Owner->value)
                ->where('clinic_id', $clinic)
                ->whereNull('deactivated_at')
                ->whereNull('invited_at')
                ->exists()
        ) {
            throw ValidationException::withMessages(['role' => 'A clinic keeps at least one owner who can sign in.']);
        }
    }
}
