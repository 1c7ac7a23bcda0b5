<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/**
 * Writes a case as the plain array of the open format. The properties of the case carry the format's names in
 * camel case, so one walk serves every part; what is null, empty or the default false is left out.
 */
final readonly class CaseWriter
{
    private const FALSE_UNLESS_SAID = ['stoic', 'othersDenied', 'stopped', 'skipped', 'gloved', 'simulated'];

    /** @return array<string, mixed> */
    public function toArray(CaseFile $case): array
    {
        return ['format' => CaseFile::FORMAT, 'version' => CaseFile::VERSION, ...$this->properties($case)];
    }

    public function toJson(CaseFile $case, bool $pretty = false): string
    {
        return json_encode(
            $this->toArray($case),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | ($pretty ? JSON_PRETTY_PRINT : 0),
        );
    }

    /** A stable name for what the case says: equal cases have equal hashes. */
    public function hash(CaseFile $case): string
    {
        return hash('sha256', $this->toJson($case));
    }

    /** @return array<string, mixed> */
    private function properties(object $part): array
    {
        $written = [];
        foreach (get_object_vars($part) as $name => $value) {
            $plain = $this->plain($value);
            if (
                $plain !== null
                    && $plain !== []
                    && ! ($plain === false && in_array($name, self::FALSE_UNLESS_SAID, true))
            ) {
                $written[strtolower((string) preg_replace('/[A-Z]/', '_$0', $name))] = $plain;
            }
        }

        return $written;
    }

    private function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof \BackedEnum => $value->value,
            $value instanceof \DateTimeImmutable => $value->format('Y-m-d'),
            is_object($value) => $this->properties($value),
            is_array($value) => array_map($this->plain(...), $value),
            is_float($value) && floor($value) === $value => (int) $value,
            default => $value,
        };
    }
}
