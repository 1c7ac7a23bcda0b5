<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Right;
use App\Models\Settings;
use App\Models\User;
use App\Models\VisitStatus;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\Clinic as Core;
use Somatrace\Core\Units\PressureUnit;

/** What can be set, what is set, and what a change touches. */
final readonly class SettingsPage
{
    public function __construct(private Core $core)
    {
    }

    /** @return array<string, mixed> */
    public function of(User $user): array
    {
        $clinic = $user->clinic;
        $keeps = $user->may(Right::KeepClinic);

        return [
            'defaults' => self::told(Settings::defaults()), 'own' => (object) self::told($user->settings ?? []),
            'clinic' => [
                'name' => $clinic->name, 'timezone' => $clinic->timezone, ...self::told([...Settings::defaults(), ...$clinic->settings]),
            ],
            'keeps' => $keeps,
            'prefers' => $this->prefers($user),
            'body' => $user->may(Right::WriteClinical) ? $this->body($user) : null,
            'choices' => [
                'pressure_unit' => array_map(static fn (PressureUnit $unit): string => $unit->value, PressureUnit::cases()),
                'date_form' => Settings::DATE_FORMS,
                ...array_map(static fn (array $words): array => array_map(__(...), $words), [
                    'note_words' => Settings::NOTE_WORDS, 'theme' => Settings::THEMES, 'figure' => Settings::FIGURES,
                    'pedals' => Settings::PEDALS,
                ]),
                'school' => $this->core->schools(), 'school_default' => $this->core->schoolDefaults(), 'days' => Settings::DAYS,
                'timezones' => $keeps ? \DateTimeZone::listIdentifiers() : [],
            ],
            // how far a change of the clinic's ways reaches, so that nobody is surprised at the table
            'touches' => [
                'people' => User::query()->where('clinic_id', $clinic->id)->whereNull('deactivated_at')->count(),
                'open' => DB::table('visits')->where('clinic_id', $clinic->id)->where('status', VisitStatus::Open->value)->count(),
                'booked' => DB::table('appointments')
                    ->where('clinic_id', $clinic->id)
                    ->where('status', 'booked')
                    ->where('starts_at', '>', now())
                    ->count(),
            ],
        ];
    }

    /** @return list<array{muscle: string, name: string, words: string}> what was remembered at plans, in words */
    private function prefers(User $user): array
    {
        $atlas = $this->core->atlas();

        return array_map(static fn (array $one): array => [
            'muscle' => $one['muscle'], 'name' => $atlas->muscle($one['muscle'])->name,
            'words' => implode(', ', array_filter([
                isset($one['technique']) ? lcfirst($atlas->technique($one['technique'])->name) : '',
                isset($one['tool']) ? "with {$atlas->tool($one['tool'])->name}" : '',
            ])),
        ], $user->prefers());
    }

    /** @return array<string, mixed> of whoever works at the table: weight, what they have, and what hands usually bear */
    private function body(User $user): array
    {
        $named = fn (array $ids): array => array_intersect_key(
            array_map(static fn (Tool $tool): string => $tool->name, $this->core->atlas()->tools), array_flip($ids),
        );
        $aids = $this->core->aids();

        return [
            'mass_kg' => $user->mass_kg, 'aids' => $user->tools === [] ? $aids : array_values(array_intersect($aids, $user->tools)),
            'choices' => ['hand' => $named($this->core->hands()), 'aids' => $named($aids)], 'budgets' => $this->core->handBudgets(),
        ];
    }

    /**
     * @param  array<string, mixed>  $settings
     * @return array<string, mixed> choices of a school and budgets are maps, also where there are none
     */
    private static function told(array $settings): array
    {
        foreach (['school', 'budgets'] as $map) {
            $settings = isset($settings[$map]) ? [...$settings, $map => (object) $settings[$map]] : $settings;
        }

        return $settings;
    }
}
