<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Somatrace\Core\Units\PressureUnit;
use Spatie\Permission\Traits\HasRoles;

/**
 * @property int $id
 * @property int $clinic_id
 * @property string $name
 * @property string $email
 * @property Role $role
 * @property bool $licensed
 * @property string $experience
 * @property float|null $mass_kg
 * @property list<string> $tools
 * @property int|null $supervisor_id
 * @property CarbonImmutable|null $deactivated_at
 * @property CarbonImmutable|null $invited_at
 * @property string|null $second_factor secret of the authenticator app
 * @property int $second_factor_step
 * @property list<string> $recovery_codes hashed
 * @property string|null $feed_hash  of the secret in the address of their calendar; null where nobody reads it elsewhere
 * @property array<string, mixed> $settings what they chose for themselves, over what the clinic says
 * @property Clinic $clinic
 * @property User|null $supervisor
 */
final class User extends Authenticatable
{
    use HasRoles;

    protected $fillable = [
        'clinic_id', 'name', 'email', 'password', 'licensed', 'experience', 'mass_kg', 'tools', 'supervisor_id', 'deactivated_at',
        'invited_at', 'settings', 'feed_hash',
    ];

    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes', 'feed_hash'];

    protected $casts = [
        'password' => 'hashed', 'licensed' => 'bool', 'mass_kg' => 'float', 'tools' => 'array', 'deactivated_at' => 'immutable_datetime',
        'invited_at' => 'immutable_datetime', 'second_factor' => 'encrypted', 'recovery_codes' => 'array', 'settings' => 'array',
    ];

    protected $attributes = [
        'supervisor_id' => null, 'deactivated_at' => null, 'invited_at' => null, 'settings' => '{}', 'feed_hash' => null,
    ];

    /** @param  array<string, mixed>  $attributes */
    public static function hire(Role $role, array $attributes): self
    {
        $user = self::query()->create($attributes);
        $user->syncRoles($role->value);

        return $user;
    }

    /** @return BelongsTo<Clinic, $this> */
    public function clinic(): BelongsTo
    {
        return $this->belongsTo(Clinic::class);
    }

    /** @return BelongsTo<User, $this> */
    public function supervisor(): BelongsTo
    {
        return $this->belongsTo(self::class, 'supervisor_id');
    }

    /**
     * Those of a clinic who may vouch for a student: licensed, with the right to it, and working here.
     *
     * @return Builder<User>
     */
    public static function supervisors(int $clinic): Builder
    {
        return self::permission(Right::Countersign->value)
            ->where('clinic_id', $clinic)
            ->where('licensed', true)
            ->whereNull('deactivated_at');
    }

    /**
     * Those of a clinic who treat.
     *
     * @return Builder<User>
     */
    public static function atTheTable(int $clinic): Builder
    {
        return self::permission(Right::WriteClinical->value)->where('clinic_id', $clinic)->whereNull('deactivated_at')->orderBy('name');
    }

    public function may(Right $right): bool
    {
        // rights come with roles here, never one by one: the tables of single permissions are not asked
        $this->loadMissing('roles');

        return $this->isActive() && $this->hasPermissionViaRole($this->filterPermission($right->value));
    }

    public function setting(string $name): mixed
    {
        return $this->settings[$name] ?? $this->loadMissing('clinic')->clinic->setting($name);
    }

    /** In which papers and pages tell them pressures. */
    public function pressureUnit(): PressureUnit
    {
        $unit = $this->setting('pressure_unit');

        return PressureUnit::tryFrom(is_string($unit) ? $unit : '') ?? PressureUnit::KiloPascal;
    }

    /**
     * @return array{string, string}|null when they work on the weekday of a moment, in the clinic's zone: their own hours, or the clinic's;
     *                                    null when they do not
     */
    public function hoursOn(CarbonImmutable $moment): ?array
    {
        $own = $this->settings['hours'] ?? null;

        return $this->loadMissing('clinic')->clinic->hoursOn($moment, is_array($own) ? $own : null);
    }

    /** @return list<array{muscle: string, technique?: string, tool?: string}> how they like to work a muscle, as the case file writes it */
    public function prefers(): array
    {
        $all = [];
        /** @var array<string, array{technique?: string, tool?: string}> $kept */
        $kept = $this->settings['prefers'] ?? [];
        foreach ($kept as $muscle => $liked) {
            $all[] = ['muscle' => $muscle, ...$liked];
        }

        return $all;
    }

    /**
     * Firm minutes they allow a part of their hands, a visit, a day, a week: where they said.
     *
     * @return array<string, array<string, float>>
     */
    public function handBudgets(): array
    {
        /** @var array<string, array<string, float>> $own */
        $own = $this->settings['budgets'] ?? [];
        $own['thumb'] = ['day' => (float) $this->setting('thumb_minutes'), ...$own['thumb'] ?? []];

        return $own;
    }

    /** @return list<array{tool: string, aimed: float, force_n: float}> what they made on the plate, as the case file writes it */
    public function calibration(): array
    {
        $all = [];
        foreach ($this->holds() as $tool => $holds) {
            foreach ($holds as $aimed => $hold) {
                $all[] = ['tool' => $tool, 'aimed' => (float) $aimed, 'force_n' => (float) $hold['force_n']];
            }
        }

        return $all;
    }

    /**
     * Their last hold on the plate, by tool and by the feeling aimed at: newtons, per cent, per cent, day.
     *
     * @return array<string, array<int, array{force_n: float, error: float, sway: float, on: string, simulated: bool}>>
     */
    public function holds(): array
    {
        return $this->settings['calibration'] ?? [];
    }

    /** @return array<string, string> how they work where practitioners differ: their own choices over those of the clinic */
    public function school(): array
    {
        $of = static fn (mixed $chosen): array => array_filter(is_array($chosen) ? $chosen : [], is_string(...));

        return [...$of($this->loadMissing('clinic')->clinic->setting('school')), ...$of($this->settings['school'] ?? [])];
    }

    public function isActive(): bool
    {
        return $this->deactivated_at === null;
    }

    /** @return Attribute<Role, never> everybody has one */
    protected function role(): Attribute
    {
        return Attribute::get(fn (): Role => Role::from((string) $this->loadMissing('roles')->roles->firstOrFail()->getAttribute('name')));
    }
}
