<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\Right;
use Illuminate\Foundation\Http\FormRequest;

final class StoreClientRequest extends FormRequest
{
    use CarriesKey;

    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client
            ? $this->user()?->can('update', $client) === true
            : $this->user()?->can('create', Client::class) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $rules = ClientDetails::rules($this->user()?->may(Right::ReadClinical) === true);

        return $this->route('client') === null ? [...$rules, ...$this->keyRules()] : $rules;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ClientDetails::messages();
    }
}
