<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** One thing that binds today's work, with every rule and reason behind it. */
final readonly class Limit
{
    /** The rule of a place no hand comes to, as the client lies: nothing of health. */
    public const REACH = 'reach';

    /**
     * @param  list<string>  $rules  sorted
     * @param  list<string>  $reasons  sentences a client could be read, in the order of the rules
     * @param  string  $cause  what the rule speaks of, such as a condition; empty where it is said of nothing in particular
     */
    public function __construct(
        public Effect $effect,
        public Scope $scope,
        public float|string|null $value,
        public array $rules,
        public array $reasons,
        public string $instead = '',
        private ?string $deciding = null,
        public string $cause = '',
    ) {
    }

    /** The same limit, told by another rule. */
    public function under(string $rule): self
    {
        return new self($this->effect, $this->scope, $this->value, [$rule], $this->reasons, $this->instead, cause: $this->cause);
    }

    public function key(): string
    {
        return $this->effect->value.'|'.$this->scope->key().'|'.($this->effect->isFigure() ? '' : (string) $this->value);
    }

    public function isOnlyReach(): bool
    {
        return $this->rules === [self::REACH];
    }

    /** The stricter of two limits of one key; the reasons of every rule stay, and the deciding one is known. */
    public function joined(self $other): self
    {
        [$strict, $loose] = $this->isAsStrictAs($other) ? [$this, $other] : [$other, $this];
        // of one rule that speaks twice, the stricter sentence counts
        $reasons = [...array_combine($loose->rules, $loose->reasons), ...array_combine($strict->rules, $strict->reasons)];
        ksort($reasons);

        return new self(
            $this->effect,
            $this->scope,
            $strict->value,
            array_keys($reasons),
            array_values($reasons),
            $strict->instead !== '' ? $strict->instead : $loose->instead,
            $strict->because(),
            $strict->cause,
        );
    }

    /** The sentence of the rule that decided. */
    public function because(): string
    {
        return $this->deciding ?? $this->reasons[0] ?? '';
    }

    /** Of two alike the one whose rule comes first counts as the stricter, so that the order of the answers never matters. */
    private function isAsStrictAs(self $other): bool
    {
        $own = $this->effect->isFigure() ? (float) $this->value : 0.0;
        $others = $this->effect->isFigure() ? (float) $other->value : 0.0;

        return [$own, $this->rules, $this->reasons] <= [$others, $other->rules, $other->reasons];
    }

    /**
     * @return array{effect: string, scope: array<string, string|true>, value: float|int|string|null, rules: list<string>, cause: string,
     * reason: string, instead: string}
     */
    public function toArray(): array
    {
        $value = is_float($this->value) && floor($this->value) === $this->value ? (int) $this->value : $this->value;

        return [
            'effect' => $this->effect->value,
            'scope' => $this->scope->toArray(),
            'value' => $value,
            'rules' => $this->rules,
            'cause' => $this->cause,
            'reason' => implode(' ', array_unique(array_filter($this->reasons))),
            'instead' => $this->instead,
        ];
    }
}
