<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Right;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

/** What the simulated plate is pressed with, and what is meant. */
final class PlateReadingsRequest extends FormRequest
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
            'what' => ['required', Rule::in($clinic->leant())],
            'side' => ['nullable', 'in:midline'],
            'repeat' => ['required', 'integer', 'between:1,200'],
            'about' => ['required', 'numeric', 'between:0,1500'],
        ];
    }
}
