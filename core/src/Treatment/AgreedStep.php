<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Planning\Check;
use Somatrace\Core\Planning\StepKind;

/**
 * What following a treatment, and telling of it, needs of a step of the plan.
 *
 * @phpstan-type Part array{spots: list<string>, names: list<string>, pressure: float|null, skips: 'yes'|'no'|null,
 * technique: string|null, tool: string|null}
 */
final readonly class AgreedStep
{
    /**
     * @param  list<Part>  $parts  its manoeuvres in order: spots, what is pressed (none where nothing is), and the answer to its question
     *        that leaves the rest of it out
     * @param  string|null  $target  the same in each round of one target
     * @param  list<Place>  $places  under the hands
     * @param  string|null  $check  what is measured again, in words; null where it is only pressed again
     */
    private function __construct(
        public string $id,
        public ?string $muscle,
        public ?string $side,
        public array $parts,
        public ?StepKind $kind,
        public string $label,
        public float $minutes,
        public ?string $position,
        public ?string $target,
        public ?string $technique,
        public ?string $tool,
        public array $places,
        public ?string $check,
    ) {
    }

    /** @param  array<array-key, mixed>  $step  of an agreed plan; one agreed earlier may have no manoeuvres */
    public static function from(array $step): self
    {
        $text = static fn (mixed $value): ?string => is_string($value) ? $value : null;

        return new self(
            $text($step['id'] ?? null) ?? '', $text($step['muscle'] ?? null), $text($step['side'] ?? null),
            array_map(self::part(...), array_values(array_filter((array) ($step['manoeuvres'] ?? []), is_array(...)))),
            StepKind::tryFrom($text($step['kind'] ?? null) ?? ''), $text($step['label'] ?? null) ?? '',
            is_numeric($step['minutes'] ?? null) ? (float) $step['minutes'] : 0.0, $text($step['position'] ?? null),
            $text($step['target'] ?? null), $text($step['technique'] ?? null), $text($step['tool'] ?? null),
            array_values(array_filter(array_map(self::place(...), array_filter((array) ($step['places'] ?? []), is_array(...))))),
            $text(
                is_array($step['check'] ?? null) && (
                    $step['check']['kind'] ?? null
                ) !== Check::PRESSED ? $step['check']['text'] ?? null : null,
            ),
        );
    }

    /** @param  array<array-key, mixed>  $one */
    private static function place(array $one): ?Place
    {
        $side = is_string($one['side'] ?? null) ? Side::tryFrom($one['side']) : null;

        return $side === null || ! is_string($one['zone'] ?? null) ? null : new Place($one['zone'], $side);
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

        $texts = static fn (string $key): array => array_values(array_filter((array) ($one[$key] ?? []), is_string(...)));
        $text = static fn (string $key): ?string => is_string($one[$key] ?? null) ? $one[$key] : null;

        return [
            'spots' => $texts('spots'), 'names' => $texts('spot_names'), 'technique' => $text('technique'), 'tool' => $text('tool'),
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
