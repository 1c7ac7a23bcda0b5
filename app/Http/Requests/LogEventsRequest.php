<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Visit;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Clinic;

final class LogEventsRequest extends FormRequest
{
    private const PAYLOAD = ['muscle', 'side', 'pass', 'pressure', 'seconds', 'tissue_kpa', 'sign', 'to', 'technique', 'tool', 'area'];

    public function authorize(): bool
    {
        $visit = $this->route('visit');

        return $visit instanceof Visit && $this->user()?->can('update', $visit) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'events' => ['required', 'array', 'max:500'],
            'events.*.id' => ['required', 'ulid'],
            'events.*.type' => ['required', Rule::in(['step_started', 'pass_reached', 'sign', 'eased_off', 'step_done', 'step_skipped', 'stopped', 'consent_withdrawn', 'consent_given'])],
            'events.*.step' => ['required', 'string', 'max:8'],
            'events.*.payload' => ['present', 'array'],
            'events.*.payload.pressure' => ['nullable', 'numeric', 'between:0,10'],
            'events.*.payload.seconds' => ['nullable', 'numeric', 'between:0,10800'],
            'events.*.payload.tissue_kpa' => ['nullable', 'numeric', 'between:0,2000'],
            'events.*.payload.area' => ['nullable', 'required_if:events.*.type,consent_withdrawn,consent_given', Rule::in(array_keys(app(Clinic::class)->atlas->consentAreas))],
            'events.*.happened_at' => ['required', 'date'],
        ];
    }

    /**
     * The validated events with the parts of the payload that are known; the validator alone would drop what no rule names.
     *
     * @return list<array{id: string, type: string, step: string, payload: array<string, mixed>, happened_at: string}>
     */
    public function events(): array
    {
        $sent = (array) $this->input('events');

        return array_map(static fn (int|string $index, array $event): array => [
            'id' => (string) $event['id'], 'type' => (string) $event['type'], 'step' => (string) $event['step'], 'happened_at' => (string) $event['happened_at'],
            'payload' => array_intersect_key((array) ($sent[$index]['payload'] ?? []), array_flip(self::PAYLOAD)),
        ], array_keys($this->validated()['events']), $this->validated()['events']);
    }
}
