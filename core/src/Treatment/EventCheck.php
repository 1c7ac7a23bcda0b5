<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\SchemaValidator;

/** Whether an event of the treatment room is one: its shape by the schema, its ids by the atlas, its moment by the calendar. */
final readonly class EventCheck
{
    public function __construct(private Atlas $atlas, private SchemaValidator $schema)
    {
    }

    /**
     * @param  mixed  $event  decoded, with objects as arrays
     * @param  string  $place  where it stands, as the beginning of a JSON pointer
     * @return list<Fault> all of them; none when it may be kept
     */
    public function faults(mixed $event, string $place = ''): array
    {
        $faults = $this->shape($event, '', $place);
        if ($faults !== [] || ! is_array($event)) {
            return $faults;
        }

        ['happened_at' => $moment, 'type' => $type, 'payload' => $payload] = $event;

        return [
            ...$this->moment(is_string($moment) ? $moment : '', $place),
            ...$this->payloadFaults(is_string($type) ? $type : '', $payload, $place),
        ];
    }

    /**
     * The payload alone, such as of one that was stored by an earlier version.
     *
     * @return list<Fault>
     */
    public function payloadFaults(string $type, mixed $payload, string $place = ''): array
    {
        $faults = $this->shape($payload, "/\$defs/payload/$type", "$place/payload");
        if ($faults !== [] || ! is_array($payload)) {
            return $faults;
        }
        $signs = array_fill_keys([...array_column($this->atlas->stopSigns, 'id'), ...array_keys($this->atlas->answerSigns)], true);
        $known = [
            'muscle' => $this->atlas->muscles, 'technique' => $this->atlas->techniques, 'tool' => $this->atlas->tools, 'sign' => $signs,
            'area' => $this->atlas->consentAreas,
        ];
        foreach ($known as $key => $ids) {
            if (is_string($payload[$key] ?? null) && ! isset($ids[$payload[$key]])) {
                $faults[] = new Fault("$place/payload/$key", json_encode($payload[$key])." is no $key of the atlas");
            }
        }
        if (isset($payload['muscle']) && ! in_array($payload['side'] ?? null, ['left', 'right'], true)) {
            $faults[] = new Fault("$place/payload/side", 'a muscle has two sides: allowed are left, right');
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function shape(mixed $value, string $part, string $place): array
    {
        // an object without keys and a list without items are one thing in PHP: here only objects are asked for
        $object = $value === [] ? new \stdClass : json_decode((string) json_encode($value));
        if ($part === '' && $object instanceof \stdClass && ($object->payload ?? null) === []) {
            $object->payload = new \stdClass;
        }

        return array_map(
            static fn (Fault $fault): Fault => new Fault($place.($fault->pointer === '#' ? '' : $fault->pointer), $fault->message),
            $this->schema->faults($object, $part),
        );
    }

    /** @return list<Fault> */
    private function moment(string $text, string $place): array
    {
        $parsed = date_parse($text);

        return $parsed['error_count'] === 0
            && $parsed['warning_count'] === 0
            && is_int($parsed['year'])
            && is_int($parsed['month'])
            && is_int($parsed['day'])
            && checkdate($parsed['month'], $parsed['day'], $parsed['year'])
            ? [] : [new Fault("$place/happened_at", json_encode($text).' is no moment of the calendar')];
    }
}
