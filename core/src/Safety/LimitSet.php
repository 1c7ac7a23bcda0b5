<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** All limits of a case, combined to the strictest and in a fixed order, whatever the order of the answers. */
final readonly class LimitSet
{
    /** @param  array<string, Limit>  $limits by key, sorted */
    private function __construct(private array $limits)
    {
    }

    /** @param  list<Limit>  $limits */
    public static function of(array $limits): self
    {
        $joined = [];
        foreach ($limits as $limit) {
            $key = $limit->key();
            $joined[$key] = isset($joined[$key]) ? $joined[$key]->joined($limit) : $limit;
        }
        ksort($joined);

        return new self($joined);
    }

    /** @return list<Limit> */
    public function all(): array
    {
        return array_values($this->limits);
    }

    /** @return list<Limit> those of these effects that touch the deed */
    public function touching(Deed $deed, Effect ...$effects): array
    {
        return array_values(array_filter(
            $this->limits,
            static fn (Limit $limit): bool => in_array($limit->effect, $effects, true) && $limit->scope->touches($deed),
        ));
    }

    /** The first limit that forbids the deed; null when none does. */
    public function forbidding(Deed $deed): ?Limit
    {
        return $this->against($deed)[0] ?? null;
    }

    /** @return list<Limit> all that forbid the deed: outright first, then until a check is done that it needs */
    public function against(Deed $deed): array
    {
        $waits = array_filter($this->touching($deed, Effect::CheckFirst), static fn (Limit $limit): bool => ! $limit->scope->isEverything());

        return [...$this->touching($deed, Effect::Avoid, Effect::Exclude), ...array_values($waits)];
    }

    /** The lowest pressure cap on the deed; null when nothing caps it. */
    public function pressureCap(Deed $deed): ?Limit
    {
        return $this->lowest($this->touching($deed, Effect::CapPressure));
    }

    public function minutesCap(Deed $deed): ?Limit
    {
        return $this->lowest($this->touching($deed, Effect::CapMinutes));
    }

    /** @param  list<Limit>  $limits */
    private function lowest(array $limits): ?Limit
    {
        usort($limits, static fn (Limit $a, Limit $b): int => [(float) $a->value, $a->key()] <=> [(float) $b->value, $b->key()]);

        return $limits[0] ?? null;
    }
}
