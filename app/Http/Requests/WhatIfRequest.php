<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

/** A check that is only supposed, not done. */
final class WhatIfRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        return [
            'kind' => ['required', Rule::in(['palpate', 'range', 'resisted', 'test'])],
            'id' => [
                'required', 'string',
                Rule::in(array_keys(match ($this->input('kind')) {
                    'palpate' => $clinic->atlas()->muscles,
                    'test' => $clinic->atlas()->tests,
                    default => $clinic->atlas()->movements,
                })),
            ],
            'side' => ['required', Rule::in($this->input('kind') === 'palpate' ? ['left', 'right'] : ['left', 'right', 'midline'])],
        ];
    }
}
