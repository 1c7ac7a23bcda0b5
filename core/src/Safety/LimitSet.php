<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** All limits of a case, combined to the strictest and in a fixed order, whatever the order of the answers. */
final readonly class LimitSet
{
    /**
     * @var array<string, array<string, array<string, array<string, Limit>>>> effect → technique or set-up it names, or none → place or
     *     muscle it names, or none → key: most name something
     */
    private array $naming;

    /** @var array<string, true> positions that a limit names */
    private array $positions;

    /** @var array<string, true> tools that a limit names */
    private array $tools;

    /** @param  array<string, Limit>  $limits by key, sorted */
    private function __construct(private array $limits)
    {
        $naming = $positions = $tools = [];
        foreach ($limits as $key => $limit) {
            $naming[$limit->effect->value][$limit->scope->technique ?? $limit->scope->setup ?? ''][$limit->scope->where()][$key] = $limit;
            $positions += array_fill_keys(array_filter([$limit->scope->position]), true);
            $tools += array_fill_keys(array_filter([$limit->scope->tool]), true);
        }
        $this->naming = $naming;
        $this->positions = $positions;
        $this->tools = $tools;
    }

    /** Whether it matters to any of them that the client lies so. */
    public function heeds(string $position): bool
    {
        return isset($this->positions[$position]);
    }

    /** Whether it matters to any of them that it is done with this tool. */
    public function heedsTool(string $tool): bool
    {
        return isset($this->tools[$tool]);
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

    /** @return list<Limit> those of these effects that touch the work */
    public function touching(ProposedWork $work, Effect ...$effects): array
    {
        if ($this->limits === []) {
            return [];
        }
        $touching = [];
        $where = $work->placeKeys;
        $where[''] = true;
        if ($work->muscle !== null) {
            $where[$work->muscle->key()] = true;
        }
        foreach ($effects as $effect) {
            $naming = $this->naming[$effect->value] ?? [];
            foreach ($naming === [] ? [] : ['', $work->technique ?? '', $work->setup ?? ''] as $named) {
                foreach (isset($naming[$named]) ? $where : [] as $place => $_) {
                    foreach ($naming[$named][$place] ?? [] as $key => $limit) {
                        if ($limit->scope->touches($work)) {
                            $touching[$key] = $limit;
                        }
                    }
                }
            }
        }
        if (count($touching) > 1) {
            ksort($touching);
        }

        return array_values($touching);
    }

    /** The first limit that forbids the work; null when none does. */
    public function forbidding(ProposedWork $work): ?Limit
    {
        return $this->limits === [] ? null : $this->against($work)[0] ?? null;
    }

    /** @return list<Limit> all that forbid the work: outright first, then until a check is done that it needs */
    public function against(ProposedWork $work): array
    {
        $outright = $waits = [];
        foreach ($this->touching($work, Effect::Avoid, Effect::Exclude, Effect::CheckFirst) as $limit) {
            if ($limit->effect !== Effect::CheckFirst) {
                $outright[] = $limit;
            } elseif (! $limit->scope->isEverything()) {
                $waits[] = $limit;
            }
        }

        return [...$outright, ...$waits];
    }

    /** The lowest pressure cap on the work; null when nothing caps it. */
    public function pressureCap(ProposedWork $work): ?Limit
    {
        return $this->lowest($this->touching($work, Effect::CapPressure));
    }

    public function minutesCap(ProposedWork $work): ?Limit
    {
        return $this->lowest($this->touching($work, Effect::CapMinutes));
    }

    /** @param  list<Limit>  $limits */
    private function lowest(array $limits): ?Limit
    {
        usort($limits, static fn (Limit $a, Limit $b): int => [(float) $a->value, $a->key()] <=> [(float) $b->value, $b->key()]);

        return $limits[0] ?? null;
    }
}
