<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\In;
use Somatrace\Core\Clinic as Core;
use Somatrace\Core\Record\Wording;
use Somatrace\Core\Units\PressureUnit;

/** What can be set, for a clinic and for each of its people: the choices, what holds when nobody has chosen, and what a change touches. */
final readonly class Settings
{
    public const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** Kept by one's own wish, over what the clinic says. */
    public const PERSONAL = [
        'pressure_unit', 'length_unit', 'date_form', 'note_words', 'theme', 'figure', 'idle_minutes', 'thumb_minutes', 'spared',
        'untrained', 'pedals', 'school', 'table_cm', 'budgets', 'hours',
    ];

    /** What firm minutes of a part of the hand are counted for. */
    public const SPANS = ['visit', 'day', 'week'];

    /** Kept for oneself elsewhere: at plans, on the plate. */
    public const LEARNT = ['prefers', 'calibration'];

    public const DATE_FORMS = ['words' => '9 Mar 2026', 'day_month' => '09/03/2026', 'month_day' => '03/09/2026', 'iso' => '2026-03-09'];

    /** What a note calls what has a plain name and a clinical term. @phrases */
    public const NOTE_WORDS = [
        'both' => 'plain words, the clinical term beside them', 'plain' => 'plain words', 'clinical' => 'clinical terms',
    ];

    /** @phrases */
    public const THEMES = ['linen' => 'linen, light', 'dusk' => 'dusk, dark everywhere'];

    /** Painting takes a small computer seconds, beside the page. @phrases */
    public const FIGURES = ['painted' => 'painted', 'outlines' => 'outlines, for a slow computer'];

    /** @phrases */
    public const PEDALS = ['onward' => 'further', 'ease' => 'ease off', 'soften' => 'it softens'];

    /** @return array<string, mixed> what holds where nothing was chosen */
    public static function defaults(): array
    {
        return [
            'pressure_unit' => PressureUnit::KiloPascal->value, 'length_unit' => 'cm', 'date_form' => 'words',
            'note_words' => Wording::Both->value, 'theme' => 'linen',
            'figure' => 'painted', 'idle_minutes' => 10, 'thumb_minutes' => 30, 'spared' => [], 'untrained' => [], 'table_cm' => null,
            'budgets' => [], 'pedals' => ['onward' => 'PageDown', 'ease' => 'PageUp', 'soften' => 'b'],
            'school' => [],
            'visit_minutes' => 60, 'retention_years' => 10,
            'hours' => [...array_fill_keys(array_slice(self::DAYS, 0, 5), ['09:00', '18:00']), 'sat' => null, 'sun' => null],
        ];
    }

    /** @return array<string, mixed> rules for what is sent, personal or of the clinic */
    public static function rules(bool $personal, Core $core): array
    {
        $rules = [
            'pressure_unit' => ['nullable', Rule::enum(PressureUnit::class)],
            'length_unit' => ['nullable', Rule::in(['cm', 'inch'])],
            'date_form' => ['nullable', Rule::in(array_keys(self::DATE_FORMS))],
            'note_words' => ['nullable', Rule::enum(Wording::class)],
            'theme' => ['nullable', Rule::in(array_keys(self::THEMES))],
            'figure' => ['nullable', Rule::in(array_keys(self::FIGURES))],
            'idle_minutes' => ['nullable', 'integer', 'between:1,120'],
            'thumb_minutes' => ['nullable', 'integer', 'between:5,240'],
            'spared' => $personal ? ['nullable', 'array'] : ['prohibited'],
            'spared.*' => ['distinct', new In($core->hands())],
            'untrained' => $personal ? ['nullable', 'array'] : ['prohibited'],
            'untrained.*' => ['distinct', new In(array_keys($core->atlas()->techniques))],
            'table_cm' => $personal ? ['nullable', 'numeric', 'between:40,110'] : ['prohibited'],
            'budgets' => $personal ? ['nullable', 'array:'.implode(',', array_keys($core->handBudgets()))] : ['prohibited'],
            'budgets.*' => ['array:'.implode(',', self::SPANS)],
            'budgets.*.*' => ['nullable', 'numeric', 'between:0,3000'],
            'pedals' => ['nullable', 'array:'.implode(',', array_keys(self::PEDALS))],
            // a pedal is a keyboard with a few keys; those that are needed to get about are left alone
            'pedals.*' => ['required', 'string', 'max:20', 'distinct', 'not_in:Tab,Escape,Shift,Control,Alt,Meta'],
            'school' => ['nullable', 'array:'.implode(',', array_keys($core->schools()))],
            ...array_combine(
                array_map(static fn (string $question): string => "school.$question", array_keys($core->schools())),
                array_map(static fn (array $choices): array => ['nullable', new In($choices)], array_values($core->schools())),
            ),
            // one's own where one does not work as the clinic is open
            'hours' => [$personal ? 'nullable' : 'required', 'array:'.implode(',', self::DAYS)],
            'hours.*' => ['nullable', 'array', 'size:2'],
            'hours.*.0' => ['bail', 'string', 'date_format:H:i'],
            'hours.*.1' => ['bail', 'string', 'date_format:H:i', 'after:hours.*.0'],
        ];

        return $personal ? $rules : [
            ...$rules,
            'name' => ['required', 'string', 'min:2', 'max:120'],
            'timezone' => ['required', 'timezone:all'],
            'visit_minutes' => ['required', 'integer', 'between:10,180'],
            'retention_years' => ['required', 'integer', 'between:1,60'],
        ];
    }

    /** @return array<string, string> */
    public static function messages(): array
    {
        return [
            'idle_minutes.between' => 'Between 1 and 120 minutes, please.', 'thumb_minutes.between' => 'Between 5 and 240 minutes, please.',
            'visit_minutes.between' => 'Between 10 and 180 minutes, please.',
            'retention_years.between' => 'Between 1 and 60 years, please.',
            'hours.*.1.after' => 'It closes after it opens.', 'hours.*.*.date_format' => 'A time like 09:00, please.',
            'pedals.*.distinct' => 'Each pedal has a key of its own.', 'pedals.*.required' => 'Press a key for this pedal.',
            'pedals.*.not_in' => 'This key is needed to get about.',
            'timezone.timezone' => 'This is no time zone.',
            'mass_kg.between' => 'Between 35 and 250 kg, please.', 'table_cm.between' => 'Between 40 and 110 cm, please.',
            'budgets.*.*.between' => 'Between 0 and 3000 minutes, please.', 'budgets.*.*.numeric' => 'Minutes, please.',
        ];
    }
}
