<?php

declare(strict_types=1);

namespace App\Models;

use Somatrace\Core\CaseFile\EntryWriter;

/** What follows from the declaration of a kind of entry. */
trait DeclaredEntry
{
    /** @return list<string> */
    public static function values(): array
    {
        return array_map(static fn (self $kind): string => $kind->value, self::cases());
    }

    /** @return list<self> what a window may send */
    public static function writable(): array
    {
        return array_values(array_filter(
            self::cases(), static fn (self $kind): bool => ! in_array($kind->writer(), [EntryWriter::Exchange, EntryWriter::Never], true),
        ));
    }

    /** Agreement is kept with who asked and when; nobody writes that by hand. */
    public function isWitnessed(): bool
    {
        return $this->writer() === EntryWriter::Witness;
    }

    /** What was said, without who wrote it down and when. */
    public function bare(mixed $payload): mixed
    {
        return $this->isWitnessed() && is_array($payload) ? array_diff_key($payload, ['asked_by' => true, 'asked_at' => true]) : $payload;
    }

    public function isFinding(): bool
    {
        return $this->findingsKey() !== null;
    }

    /** What it is named by within a visit; what its keys do not name is named by whoever writes it. */
    public function nameOf(mixed $payload, ?string $given): string
    {
        $keys = $this->nameKeys();
        if ($keys === [] || ! is_array($payload)) {
            return rtrim((string) $given, ':');
        }
        $parts = [];
        foreach ($keys as $key) {
            $value = $payload[$key] ?? '';
            if (is_array($value)) {
                ksort($value); // whoever wrote it, in whatever order
            }
            $said = is_array($value) ? implode('.', array_filter($value, is_scalar(...))) : (is_scalar($value) ? (string) $value : '');
            // where one of two stands, such as a muscle or a joint, the other leaves no gap
            if ($said !== '' || $key !== 'joint') {
                $parts[] = $said;
            }
        }
        $name = rtrim(implode(':', $parts), ':');

        // a second of one name goes on with what tells it from the first: the same condition at another place
        return str_starts_with((string) $given, "$name:") && $this->mayRepeat() ? (string) $given : $name;
    }

    /**
     * Its name among others of its kind and visit: where several may share one, the next goes on with which it is.
     *
     * @param  array<string, mixed>  $named  payloads by name, as far as they have one
     */
    public function nameAmong(array $named, mixed $payload, ?string $given): string
    {
        $name = $this->nameOf($payload, $given);
        // the same condition told twice is one; the same muscle worked twice was worked twice
        $isAnother = $this->mayRepeat() && array_key_exists($name, $named) && ($named[$name] !== $payload || $this === self::Done);

        return $isAnother ? sprintf('%s:%03d', $name, count($named)) : $name;
    }

    /** What an entry of this kind is found by within a visit. */
    public function key(string $phase, string $name): string
    {
        return "$phase|{$this->value}|$name";
    }
}
