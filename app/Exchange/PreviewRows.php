<?php

declare(strict_types=1);

namespace App\Exchange;

/**
 * Rows of what a file would change, as they are found: a name for all of them, how many there are of each kind, and as many as anybody
 * reads, those that are doubtful or change something first. A file may hold tens of thousands.
 *
 * @phpstan-type Change array{key: string, name: string, was: string|null, becomes: string}
 * @phpstan-type Row array{title: string, state: string, changes: list<Change>, same: int, left: list<string>}
 * @phpstan-type Preview array{rows: list<Row>, states: array<string, int>, count: int, unkept: list<string>, digest: string}
 */
final class PreviewRows
{
    private const SHOWN = 60;

    private \HashContext $digest;

    /** @var array<string, int> */
    private array $states = [];

    private int $count = 0;

    /** @var array{list<Row>, list<Row>, list<Row>} doubtful, with changes, without */
    private array $shown = [[], [], []];

    /** @param  list<mixed>  $about what else they depend on */
    public function __construct(array $about)
    {
        $this->digest = hash_init('sha256');
        hash_update($this->digest, json_encode($about, JSON_THROW_ON_ERROR));
    }

    /** @param  Row  $row */
    public function add(array $row): void
    {
        hash_update($this->digest, json_encode($row, JSON_THROW_ON_ERROR));
        $this->states[$row['state']] = ($this->states[$row['state']] ?? 0) + 1;
        $this->count += count($row['changes']);
        $kind = match (true) {
            $row['left'] !== [] => 0, $row['changes'] !== [] => 1, default => 2,
        };
        if (count($this->shown[$kind]) < self::SHOWN) {
            $this->shown[$kind][] = $row;
        }
    }

    /**
     * @param  list<string>  $unkept
     * @return Preview
     */
    public function preview(array $unkept = []): array
    {
        return [
            'rows' => array_slice(array_merge(...$this->shown), 0, self::SHOWN), 'states' => $this->states, 'count' => $this->count,
            'unkept' => $unkept, 'digest' => hash_final(hash_copy($this->digest)),
        ];
    }
}
