<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;

/** What happened at the table, as the room sends it: kept as it is or refused by place, never in part. */
final class LogEventsRequest extends FormRequest
{
    use AboutVisit;

    private const MOST = 500;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['events' => ['required', 'array', 'list', 'max:'.self::MOST], 'sent_at' => ['nullable', 'string', 'date']];
    }

    public function after(Clinic $clinic): Closure
    {
        return function (Validator $validator) use ($clinic): void {
            if ($validator->errors()->isNotEmpty()) {
                return;
            }
            foreach ((array) $this->json('events') as $index => $event) {
                foreach ($clinic->events()->faults($event) as $fault) {
                    $validator->errors()->add("events.$index".str_replace('/', '.', ltrim($fault->pointer, '#')), $this->words($fault));
                }
            }
        };
    }

    /**
     * @return list<array{id: string, type: string, step: string, payload: array<string, mixed>, device: string, number: int,
     * happened_at: string}>
     */
    public function events(): array
    {
        return array_map(static fn (array $event): array => [
            'id' => (string) $event['id'], 'type' => (string) $event['type'], 'step' => (string) $event['step'],
            'payload' => (array) $event['payload'],
            'device' => (string) $event['device'], 'number' => (int) $event['number'], 'happened_at' => (string) $event['happened_at'],
        ], array_values((array) $this->json('events')));
    }

    public function sent(): ?CarbonImmutable
    {
        $sent = $this->json('sent_at');

        return is_string($sent) ? CarbonImmutable::parse($sent) : null;
    }

    private function words(Fault $fault): string
    {
        return ucfirst($fault->message).'.';
    }
}
