<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use App\Models\Right;
use Illuminate\Foundation\Http\FormRequest;

final class BookRequest extends FormRequest
{
    use CarriesKey;

    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client && $this->user()?->can('update', $client) === true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'day' => ['required', 'date_format:Y-m-d'],
            'time' => ['required', 'date_format:H:i'],
            'minutes' => ['required', 'integer', 'between:10,180'],
            // why somebody comes is clinical
            'reason' => $this->user()?->may(Right::ReadClinical) === true ? ['nullable', 'string', 'max:120'] : ['prohibited'],
            'word' => ['nullable', 'string', 'max:120'],
            ...$this->keyRules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'day.required' => 'Which day?', 'time.required' => 'At what time?', 'time.date_format' => 'A time like 14:30, please.',
            'minutes.between' => 'Between 10 and 180 minutes, please.',
        ];
    }
}
