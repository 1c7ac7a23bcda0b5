<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Cases\SoundRecords;
use App\Models\Client;
use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Somatrace\Core\Clinic as Core;

/** A made-up clinic for trials: so many people, each with clients of their own and a visit that is open and answered. */
final readonly class TrialClinic
{
    public const PASSWORD = 'only for this trial';

    /** A database in a folder that is its alone, with the sessions and the seal beside it. */
    public static function ownDatabase(string $folder): string
    {
        mkdir($folder, 0700);
        mkdir("$folder/sessions", 0700);
        $database = "$folder/database.sqlite";
        touch($database);
        Config::set('database.connections.sqlite.database', $database);
        Config::set('somatrace.seal.folder', "$folder/seal");
        Config::set('hashing.bcrypt.rounds', 4); // nobody guesses at a trial
        DB::purge();
        Artisan::call('migrate', ['--force' => true]);

        return $database;
    }

    public static function clear(string $folder): void
    {
        DB::purge();
        foreach (['seal', 'sessions', ''] as $within) {
            array_map(unlink(...), array_filter(glob("$folder/$within/*") ?: [], is_file(...)));
            @rmdir(rtrim("$folder/$within", '/'));
        }
    }

    public static function clinic(): Clinic
    {
        return Clinic::query()->create(['name' => 'Trial', 'timezone' => 'UTC', 'scope_off' => [], 'demo' => true]);
    }

    public static function therapist(Clinic $clinic, int $number): User
    {
        return User::hire(
            Role::Therapist,
            [
                'clinic_id' => $clinic->id, 'name' => "Trial $number", 'email' => "trial$number@trial.example",
                'password' => Hash::make(self::PASSWORD), 'licensed' => true, 'experience' => 'qualified', 'mass_kg' => 70, 'tools' => [],
            ],
        );
    }

    public static function client(Clinic $clinic, int $number): Client
    {
        return Client::query()->create([
            'clinic_id' => $clinic->id, 'code' => sprintf('TR-%03d', $number), 'name' => "Trial Client $number",
            'search' => "trial client $number", 'born_on' => '1980-01-01',
        ]);
    }

    /** Begun, with every flag denied. */
    public static function visit(User $user, Client $client): Visit
    {
        $now = CarbonImmutable::now();
        $visit = $client->visits()->create([
            'clinic_id' => $client->clinic_id, 'user_id' => $user->id, 'number' => 1, 'status' => VisitStatus::Open, 'minutes' => 60,
            'last_step' => 'work', 'started_at' => $now,
        ]);
        $mark = app(SoundRecords::class)->mark();
        $rows = array_map(static fn (string $flag): array => [
            'visit_id' => $visit->id, 'client_id' => $client->id, 'phase' => 'before', 'kind' => 'red_flag', 'identity' => $flag,
            'payload' => '"no"', 'revision' => 1, 'said_on' => $now->format('Y-m-d'), 'user_id' => $user->id, 'checked' => $mark,
        ], array_keys(app(Core::class)->rules()->flags->flags));
        DB::table('entries')->insert($rows);

        return $visit;
    }
}
