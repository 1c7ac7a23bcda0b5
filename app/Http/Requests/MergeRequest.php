<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** The double whose record goes into the one of the route. */
final class MergeRequest extends FormRequest
{
    public function authorize(): bool
    {
        $client = $this->route('client');

        return $client instanceof Client && $this->user()?->can('merge', $client) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['other' => ['required', 'string', 'max:26', function (string $name, mixed $value, Closure $fail): void {
            $client = $this->route('client');
            $other = $this->find();
            if (
                ! $other instanceof Client
                    || ! $client instanceof Client
                    || $other->is($client)
                    || $this->user()?->can('merge', $other) !== true
                    || $other->merged_into_id !== null
                    || $client->merged_into_id !== null
            ) {
                $fail('Choose another client of this clinic.');
            }
        }]];
    }

    public function other(): Client
    {
        return $this->find() ?? throw new \LogicException('it was found before');
    }

    private function find(): ?Client
    {
        return Client::query()->where('public_id', (string) $this->string('other'))->first();
    }
}
