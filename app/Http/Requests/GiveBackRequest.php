<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Visit;
use Illuminate\Foundation\Http\FormRequest;

/** A student's note goes back to them, with what is missing in it. */
final class GiveBackRequest extends FormRequest
{
    private const LONGEST = 1000;

    public function authorize(): bool
    {
        $visit = $this->route('visit');

        return $visit instanceof Visit && $this->user()?->can('countersign', $visit) === true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['words' => ['required', 'string', 'min:5', 'max:'.self::LONGEST]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'words.required' => 'Say what is missing: they can do nothing with less.',
            'words.min' => 'Say what is missing, in a few words.',
            'words.max' => 'At most :max characters, please. What you wrote stands here until it is shorter.',
        ];
    }
}
