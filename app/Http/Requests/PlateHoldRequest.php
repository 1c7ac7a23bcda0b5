<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

/** A hold on the pressure plate: with what, what was aimed at, and the force from moment to moment. */
final class PlateHoldRequest extends FormRequest
{
    public function authorize(): bool
    {
        $user = $this->user();

        return $user instanceof User && $user->may(Right::WriteClinical);
    }

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        $tool = $this->input('tool');
        $known = is_string($tool) && in_array($tool, $clinic->leant(), true);

        return [
            'tool' => ['required', Rule::in($clinic->leant())],
            'aimed' => ['required', 'integer', Rule::in($known ? $clinic->plate()->aims($clinic->atlas()->tool($tool)) : [])],
            // looked at while pressing: practice, and nothing to reckon with
            'seen' => ['nullable', 'boolean'],
            'samples' => ['required', 'array', 'max:3000'],
            'samples.*' => ['array', 'size:2'],
            'samples.*.0' => ['required', 'numeric', 'between:0,30000'],
            'samples.*.1' => ['required', 'numeric', 'between:0,1500'],
        ];
    }

    /** @return list<array{float, float}> milliseconds, newtons */
    public function samples(): array
    {
        return array_map(
            static fn (array $one): array => [(float) $one[0], (float) $one[1]], array_values((array) $this->validated('samples')),
        );
    }
}
