<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Seeder;

/**
 * Lantern Yard Bodywork looks after a touring puppet theatre. Everyone is invented; the findings are authored, every
 * judgement on them is computed. Dates are relative to today, so that the story is never stale.
 */
final class DemoStory extends Seeder
{
    public const PASSWORD = 'lantern-yard';

    public function __construct(private readonly Storyteller $teller)
    {
    }

    public function run(): void
    {
        $clinic = Clinic::query()->create(['name' => 'Lantern Yard Bodywork', 'timezone' => 'UTC', 'scope_off' => [], 'demo' => true]);
        $therapist = User::hire(Role::Owner, [
            'clinic_id' => $clinic->id, 'name' => 'Nell Harrow', 'email' => 'nell@lantern-yard.example', 'password' => self::PASSWORD,
            'licensed' => true, 'experience' => 'advanced', 'mass_kg' => 72, 'tools' => [],
        ]);
        User::hire(Role::Reception, [
            'clinic_id' => $clinic->id, 'name' => 'Desk', 'email' => 'desk@lantern-yard.example', 'password' => self::PASSWORD,
            'tools' => [],
        ]);
        // comes in for two long days and a morning
        $second = User::hire(Role::Therapist, [
            'clinic_id' => $clinic->id, 'name' => 'Corin Vale', 'email' => 'corin@lantern-yard.example', 'password' => self::PASSWORD,
            'licensed' => true, 'experience' => 'qualified', 'mass_kg' => 81, 'tools' => [],
            'settings' => ['hours' => ['tue' => ['11:00', '19:30'], 'thu' => ['11:00', '19:30'], 'fri' => ['08:30', '13:00']]],
        ]);
        $this->teller->tell($therapist, $second, require __DIR__.'/demo/clients.php');
    }
}
