<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/**
 * What following a treatment needs of a step of the plan.
 *
 * @phpstan-type Part array{spots: list<string>, pressure: float|null, skips: 'yes'|'no'|null}
 */
final readonly class AgreedStep
{
    /**
     * @param  list<Part>  $parts  its manoeuvres in order: spots, what is pressed (none where nothing is), and the answer to its question
     *        that leaves the rest of it out
     */
    private function __construct(public string $id, public ?string $muscle, public ?string $side, public array $parts)
    {
    }

    /** @param  array<array-key, mixed>  $step  of an agreed plan; one agreed earlier may have no manoeuvres */
    public static function from(array $step): self
    {
        $text = static fn (mixed $value): ?string => is_string($value) ? $value : null;

        return new self(
            $text($step['id'] ?? null) ?? '', $text($step['muscle'] ?? null), $text($step['side'] ?? null),
            array_map(self::part(...), array_values(array_filter((array) ($step['manoeuvres'] ?? []), is_array(...)))),
        );
    }

    /**
     * @param  array<array-key, mixed>  $one
     * @return Part
     */
    private static function part(array $one): array
    {
        $pressure = $one['pressure'] ?? null;
        $branch = is_array($one['branch'] ?? null) ? $one['branch'] : [];
        $does = static fn (string $answer): mixed => is_array($branch[$answer] ?? null) ? $branch[$answer]['do'] ?? null : null;

        return [
            'spots' => array_values(array_filter((array) ($one['spots'] ?? []), is_string(...))),
            'pressure' => is_int($pressure) || is_float($pressure) ? (float) $pressure : null,
            'skips' => $does('no') === 'skip' ? 'no' : ($does('yes') === 'skip' ? 'yes' : null),
        ];
    }

    /** @return list<string> the places of a manoeuvre that are done one by one; one nameless place where it has no spots */
    public function places(int $part): array
    {
        $spots = $this->parts[$part]['spots'] ?? [];

        return $spots === [] ? [''] : $spots;
    }
}
