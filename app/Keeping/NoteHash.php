<?php

declare(strict_types=1);

namespace App\Keeping;

/** A keyed name for what was signed: by it the doctor sees whether anybody changed or replaced a note behind the application's back. */
final readonly class NoteHash
{
    private const PARTS = [
        'visit_id', 'revision', 'happened', 'advice', 'next_time', 'case_document', 'results', 'reason', 'signed_by', 'signed_at',
        'atlas_version',
    ];

    /** @param  array<array-key, mixed>  $row as it stands in the database, documents as text */
    public static function of(array $row, ?Seal $seal = null): string
    {
        return ($seal ?? Seal::own())->mac('note', ...self::parts($row));
    }

    /** A supervisor's name beside it. */
    public static function ofSecondName(int $note, int $by, string $at, ?Seal $seal = null): string
    {
        return ($seal ?? Seal::own())->mac('second name', (string) $note, (string) $by, $at);
    }

    /**
     * As notes were named before there was a key.
     *
     * @param  array<array-key, mixed>  $row
     */
    public static function unkeyed(array $row): string
    {
        return hash('sha256', implode("\x1f", self::parts($row)));
    }

    /**
     * @param  array<array-key, mixed>  $row
     * @return list<string>
     */
    private static function parts(array $row): array
    {
        return array_map(static fn (string $part): string => is_scalar($row[$part] ?? null) ? (string) $row[$part] : '', self::PARTS);
    }
}
