<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use App\Support\Audit;
use App\Support\Letters;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;
use Somatrace\Core\Clinic as Core;

/** A clinic of one's own on this installation: made with its first owner, whose link is said once and holds a week. */
final class ClinicCommand extends Command
{
    protected $signature = 'somatrace:clinic
        {verb : create}
        {--name= : of the clinic}
        {--owner= : name of its first owner}
        {--email= : their address, with which they sign in}
        {--timezone=UTC : where it lies, such as Europe/Lisbon}
        {--not-licensed : the owner does not treat}';

    protected $description = 'Make a clinic and its first owner, and print the link by which the owner chooses a password';

    public function handle(Core $core): int
    {
        if ($this->argument('verb') !== 'create') {
            $this->error('somatrace:clinic create');

            return self::INVALID;
        }
        $told = Validator::make(
            [
                'name' => $this->option('name') ?? $this->asked('Name of the clinic'),
                'owner' => $this->option('owner') ?? $this->asked('Name of the owner'),
                'email' => $this->option('email') ?? $this->asked('Address of the owner'), 'timezone' => $this->option('timezone'),
            ],
            [
                'name' => ['required', 'string', 'min:2', 'max:120'], 'owner' => ['required', 'string', 'max:120'],
                'email' => ['required', 'string', 'email', 'max:190', 'unique:users,email'], 'timezone' => ['required', 'timezone:all'],
            ],
            ['email.unique' => 'Somebody has this address already.', 'timezone.timezone' => 'This is no time zone.'],
        );
        if ($told->fails()) {
            foreach ($told->errors()->all() as $fault) {
                $this->error($fault);
            }

            return self::FAILURE;
        }
        if (DB::table('clinics')->where('demo', 1)->exists()) {
            $this->error(
                'This database holds the demo, whose sign-ins everybody knows. Make the clinic in a database of its own (DB_DATABASE).',
            );

            return self::FAILURE;
        }
        /** @var array{name: string, owner: string, email: string, timezone: string} $kept */
        $kept = $told->validated();
        $owner = DB::transaction(fn (): User => User::hire(Role::Owner, [
            'clinic_id' => Clinic::query()->create(['name' => $kept['name'], 'timezone' => $kept['timezone'], 'scope_off' => []])->id,
            'name' => $kept['owner'], 'email' => $kept['email'],
            'password' => Str::random(60), 'licensed' => $this->option('not-licensed') !== true, 'experience' => 'qualified',
            'tools' => $core->hands(), 'invited_at' => CarbonImmutable::now(),
        ]));
        Audit::keeping('clinic made', "clinic {$owner->clinic_id}");
        $this->line("{$kept['name']} is made. {$kept['owner']} chooses a password here, once, within a week:");
        $this->line(Letters::link(
            'password.reset', ['token' => Password::broker('invitations')->createToken($owner), 'email' => $owner->email, 'invited' => 1],
        ));

        return self::SUCCESS;
    }

    private function asked(string $what): mixed
    {
        return $this->input->isInteractive() ? $this->ask($what) : null;
    }
}
