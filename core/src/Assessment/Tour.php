<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

/** The families of positions in the order in which a client gets into them with the fewest turns, from where they are now. */
final readonly class Tour
{
    /** Up to the table once and over once; from the table the way back leads over sitting. */
    private const FROM = [
        'standing' => ['standing', 'seated', 'supine', 'side', 'prone'],
        'seated' => ['seated', 'standing', 'supine', 'side', 'prone'],
        'supine' => ['supine', 'side', 'prone', 'seated', 'standing'],
        'side' => ['side', 'supine', 'prone', 'seated', 'standing'],
        'prone' => ['prone', 'side', 'supine', 'seated', 'standing'],
    ];

    /** @param  list<string>  $stops */
    private function __construct(public array $stops)
    {
    }

    /** @param  string|null  $position  standing or a family; standing without it, as a client comes in */
    public static function from(?string $position): self
    {
        return new self(self::FROM[self::family($position ?? 'standing')] ?? self::FROM['standing']);
    }

    /** @return list<string> */
    public static function starts(): array
    {
        return array_keys(self::FROM);
    }

    public static function family(string $position): string
    {
        return str_starts_with($position, 'side') ? 'side' : explode('_', $position)[0];
    }

    public function rank(string $family): int
    {
        return (int) array_search($family, $this->stops, true);
    }

    /**
     * Sets out who can be reached in several positions so that few are needed: at each stop everybody possible, and the next stop is where
     * most of the rest are.
     *
     * @param  array<string, non-empty-list<string>>  $possible  families by name
     * @return array<string, string> family by name
     */
    public function settle(array $possible): array
    {
        $settled = [];
        $stop = $this->stops[0];
        while ($possible !== []) {
            foreach ($possible as $name => $families) {
                if (in_array($stop, $families, true)) {
                    $settled[$name] = $stop;
                    unset($possible[$name]);
                }
            }
            $reach = array_count_values(array_merge(...array_values($possible)));
            uksort($reach, fn (string $a, string $b): int => [$reach[$b], $this->rank($a)] <=> [$reach[$a], $this->rank($b)]);
            $stop = (string) array_key_first($reach);
        }

        return $settled;
    }
}
