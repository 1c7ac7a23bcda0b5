<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class StoreClientRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->can('create', Client::class) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:120'],
            'pronoun' => ['required', Rule::in(['she', 'he', 'they', 'unsaid'])],
            'born_on' => ['required', 'date_format:Y-m-d', 'before:today', 'after:'.now()->subYears(115)->format('Y-m-d')],
            'hand' => ['nullable', Rule::in(['left', 'right', 'both'])],
            'mass_kg' => ['nullable', 'numeric', 'between:3,400'],
            'occupation' => ['nullable', 'string', 'max:80'],
            'skin' => ['required', Rule::in(['usual', 'dry', 'hairy', 'fragile'])],
            'stoic' => ['boolean'],
            'guardian_name' => ['nullable', 'string', 'min:2', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'A name, please: any name the client goes by.',
            'name.min' => 'At least two letters, please.',
            'born_on.required' => 'The date of birth decides about some limits; please fill it in.',
            'born_on.date_format' => 'A date like 1987-04-23, please.',
            'born_on.before' => 'This date has not been yet.',
            'born_on.after' => 'Nobody is that old.',
            'mass_kg.between' => 'Between 3 and 400 kg, please.',
        ];
    }
}
