<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Pages\AuditPage;
use App\Models\Client;
use App\Models\Right;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What of the audit is asked for. */
final class AuditRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->may(Right::KeepClinic) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'person' => ['nullable', 'integer'], 'client' => ['nullable', 'string', 'max:12'],
            'kind' => ['nullable', Rule::in(array_keys(AuditPage::KINDS))],
            'from' => ['nullable', 'date_format:Y-m-d'], 'to' => ['nullable', 'date_format:Y-m-d'],
            'before' => ['nullable', 'integer', 'min:1'],
        ];
    }

    /** @return array{person: int|null, client: int|null, kind: string|null, from: string|null, to: string|null, before: int|null} */
    public function filter(): array
    {
        $text = fn (string $name): ?string => (string) $this->string($name) === '' ? null : (string) $this->string($name);
        $number = fn (string $name): ?int => $this->integer($name) === 0 ? null : $this->integer($name);
        // a code that nobody has finds nothing, rather than everything
        $client = $text('client') === null
            ? null
            : (int) (Client::query()->where(['clinic_id' => $this->user()?->clinic_id, 'code' => $text('client')])->value('id') ?? -1);

        return [
            'person' => $number('person'), 'client' => $client, 'kind' => $text('kind'), 'from' => $text('from'), 'to' => $text('to'),
            'before' => $number('before'),
        ];
    }

    /** @return array<string, string> as it was asked */
    public function told(): array
    {
        return array_map(
            static fn (mixed $value): string => is_scalar($value) ? (string) $value : '',
            [
                ...array_fill_keys(['person', 'client', 'kind', 'from', 'to'], ''),
                ...$this->only(['person', 'client', 'kind', 'from', 'to']),
            ],
        );
    }
}
