<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use Illuminate\Foundation\Http\FormRequest;

final class BookRequest extends FormRequest
{
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
            'reason' => ['nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['day.required' => 'Which day?', 'time.required' => 'At what time?', 'time.date_format' => 'A time like 14:30, please.', 'minutes.between' => 'Between 10 and 180 minutes, please.'];
    }
}
