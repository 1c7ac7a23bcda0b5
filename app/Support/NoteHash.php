<?php

declare(strict_types=1);

namespace App\Support;

/** A stable name for what was signed: by it the doctor sees whether anybody changed a note behind the application's back. */
final readonly class NoteHash
{
    private const PARTS = ['visit_id', 'revision', 'happened', 'advice', 'next_time', 'case_document', 'results', 'reason', 'signed_by', 'signed_at', 'atlas_version'];

    /** @param  array<array-key, mixed>  $row as it stands in the database, documents as text */
    public static function of(array $row): string
    {
        return hash('sha256', implode("\x1f", array_map(static fn (string $part): string => is_scalar($row[$part] ?? null) ? (string) $row[$part] : '', self::PARTS)));
    }
}
