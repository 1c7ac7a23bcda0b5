<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\SchemaValidator;

/** Reads a case file, or refuses it with every fault it has. */
final readonly class CaseReader
{
    public const MOST_BYTES = 5 * 1024 * 1024;

    public function __construct(private SchemaValidator $schema, private CaseSense $sense)
    {
    }

    /** @throws FaultyDocument with all faults, never only the first */
    public function read(string $text): CaseFile
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw FaultyDocument::whole('larger than 5 MiB, which is the most a case file may be');
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw FaultyDocument::whole('not valid UTF-8');
        }
        try {
            $value = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
            $plain = json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw FaultyDocument::whole('not valid JSON: '.$fault->getMessage());
        }
        if (! $value instanceof \stdClass) {
            throw FaultyDocument::whole('must be a JSON object with "format": "somatrace.case"');
        }
        $faults = $this->schema->faults($value);
        // The checks of sense read what the schema let through and pass over the rest, so that both kinds are reported at once.
        array_push($faults, ...$this->sense->faults($plain));
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }

        return $this->hydrate(is_array($plain) ? $plain : []);
    }

    /**
     * A case from an array that is known to be sound, such as one assembled from validated records.
     *
     * @param  array<array-key, mixed>  $case
     */
    public function hydrate(array $case): CaseFile
    {
        return CaseFile::from(Fields::of($this->withoutRepeats($case)));
    }

    /**
     * Identical entries count once.
     *
     * @param  array<array-key, mixed>  $case
     * @return array<array-key, mixed>
     */
    private function withoutRepeats(array $case): array
    {
        foreach (['findings', 'health'] as $part) {
            if (! is_array($case[$part] ?? null)) {
                continue;
            }
            foreach ($case[$part] as $key => $list) {
                if (is_array($list) && array_is_list($list)) {
                    $case[$part][$key] = $this->distinct($list);
                }
            }
        }

        return $case;
    }

    /**
     * @param  list<mixed>  $entries
     * @return list<mixed>
     */
    private function distinct(array $entries): array
    {
        $seen = [];
        foreach ($entries as $entry) {
            $sorted = $entry;
            if (is_array($sorted)) {
                ksort($sorted);
            }
            $seen[(string) json_encode($sorted)] ??= $entry;
        }

        return array_values($seen);
    }
}
