<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Appointment;
use App\Models\Client;
use Illuminate\Foundation\Http\FormRequest;

final class StartVisitRequest extends FormRequest
{
    use CarriesKey;

    public function authorize(): bool
    {
        return $this->user()?->can('treat', $this->client()) === true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['appointment' => ['nullable', 'integer'], ...$this->keyRules()];
    }

    /** Of this client, or none. */
    public function appointment(): ?Appointment
    {
        return Appointment::query()->where('client_id', $this->client()->id)->find($this->integer('appointment'));
    }

    private function client(): Client
    {
        $client = $this->route('client');

        return $client instanceof Client ? $client : throw new \LogicException('a visit belongs to a client');
    }
}
