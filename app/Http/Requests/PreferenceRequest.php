<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

/** How somebody likes to work a muscle. */
final class PreferenceRequest extends FormRequest
{
    public function authorize(): bool
    {
        $user = $this->user();

        return $user instanceof User && $user->may(Right::WriteClinical);
    }

    /** @return array<string, mixed> */
    public function rules(Clinic $clinic): array
    {
        return [
            'muscle' => ['required', Rule::in(array_keys($clinic->atlas()->muscles))],
            'technique' => ['nullable', Rule::in(array_keys($clinic->atlas()->techniques))],
            'tool' => ['nullable', Rule::in(array_keys($clinic->atlas()->tools))],
        ];
    }

    /** @return array<string, array<string, string>> by muscle; empty where it is to be forgotten */
    public function liked(): array
    {
        return [(string) $this->string('muscle') => array_filter([
            'technique' => (string) $this->string('technique'), 'tool' => (string) $this->string('tool'),
        ])];
    }
}
