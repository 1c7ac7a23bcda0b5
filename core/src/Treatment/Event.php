<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/** Something that happened at the table: made once, never changed. */
final readonly class Event
{
    /**
     * @param  string  $id  a ULID of the device that made it
     * @param  array<array-key, mixed>  $payload  as the schema of events declares it
     * @param  string  $device  empty: from before devices were told apart
     * @param  int  $number  greater than that of everything its device knew of; 0 where there was no device
     */
    public function __construct(
        public string $id,
        public string $type,
        public string $step,
        public array $payload,
        public string $device,
        public int $number,
    ) {
    }

    public function text(string $key): ?string
    {
        $value = $this->payload[$key] ?? null;

        return is_string($value) ? $value : null;
    }

    public function amount(string $key): ?float
    {
        $value = $this->payload[$key] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        return array_values(array_filter((array) ($this->payload[$key] ?? []), is_string(...)));
    }
}
