<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\Settings;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rules\In;
use Somatrace\Core\Clinic;

/** What somebody wishes for themselves; what is left empty follows the clinic. */
final class OwnSettingsRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user() !== null;
    }

    /** @return array<string, mixed> */
    public function rules(Clinic $core): array
    {
        return [
            ...Settings::rules(true, $core),
            'mass_kg' => ['nullable', 'numeric', 'between:35,250'],
            'aids' => ['nullable', 'array'],
            'aids.*' => ['distinct', new In($core->aids())],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return Settings::messages();
    }

    /** @return array<string, mixed> */
    public function chosen(): array
    {
        $chosen = array_intersect_key((array) $this->validated(), array_flip(Settings::PERSONAL));

        return array_filter(
            [
                ...$chosen, 'school' => array_filter((array) ($chosen['school'] ?? [])),
                'budgets' => array_filter(array_map(
                    static fn (array $spans): array => array_map(floatval(...), array_filter($spans, is_numeric(...))),
                    (array) ($chosen['budgets'] ?? []),
                )),
            ],
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );
    }

    /** @return array{mass_kg?: float|null, tools?: list<string>} of one's body and what one owns, where it was told */
    public function body(Clinic $core): array
    {
        $told = [];
        if ($this->user()?->may(Right::WriteClinical) !== true) {
            return $told;
        }
        if ($this->has('mass_kg')) {
            $told['mass_kg'] = $this->filled('mass_kg') ? $this->float('mass_kg') : null;
        }
        if ($this->has('aids')) {
            $told['tools'] = [...$core->hands(), ...array_values(array_intersect($core->aids(), (array) $this->input('aids')))];
        }

        return $told;
    }
}
