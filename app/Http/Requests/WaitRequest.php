<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use App\Models\Settings;
use App\Models\Waiting;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class WaitRequest extends FormRequest
{
    use CarriesKey, NamesTherapist;

    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client && $this->user()?->can('update', $client) === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'minutes' => ['required', 'integer', 'between:10,180'], 'person' => $this->therapistRules(),
            'weekdays' => ['nullable', 'array'], 'weekdays.*' => ['distinct', Rule::in(Settings::DAYS)],
            'part' => ['nullable', Rule::in(Waiting::PARTS)], 'word' => ['nullable', 'string', 'max:120'],
            ...$this->keyRules(),
        ];
    }
}
