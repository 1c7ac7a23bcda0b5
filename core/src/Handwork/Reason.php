<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;

/** Why something is not in the plan: of what kind, what it comes from, and in words. */
final readonly class Reason
{
    /** @param  string  $id  the area to be agreed or the rule that forbids it; empty where there is none */
    private function __construct(public ReasonKind $kind, public string $words, public string $id = '')
    {
    }

    public static function of(ReasonKind $kind, string $words): self
    {
        return new self($kind, $words);
    }

    public static function forbiddenBy(Limit $limit): self
    {
        return match (true) {
            $limit->effect === Effect::Consent => new self(ReasonKind::Consent, $limit->because(), (string) $limit->value),
            $limit->effect === Effect::CheckFirst => new self(ReasonKind::CheckFirst, $limit->because(), $limit->rules[0]),
            $limit->isOnlyReach() => new self(ReasonKind::Position, $limit->because()),
            default => new self(ReasonKind::Limit, $limit->because(), $limit->rules[0]),
        };
    }

    /** Of two reasons the one that tells more: what was not agreed before what forbids, and both before where no hand comes. */
    public function orBetter(self $other): self
    {
        return $other->kind->weight() < $this->kind->weight() ? $other : $this;
    }
}
