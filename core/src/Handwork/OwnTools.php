<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\CaseFile\Therapist;

/** The tools as one therapist presses with them: with the contact area they showed on the plate, with the usual one where they did not. */
final class OwnTools
{
    /** @var array<string, float> share of the usual contact area, by tool that was measured */
    private readonly array $shares;

    /** @var array<string, Tool> */
    private array $tools = [];

    public function __construct(private readonly Atlas $atlas, Plate $plate, Therapist $therapist)
    {
        $made = [];
        foreach ($therapist->calibration as $pair) {
            $made[$pair->tool][] = [$pair->aimed, $pair->forceN];
        }
        $shares = [];
        foreach ($made as $id => $pairs) {
            $shares[$id] = $plate->share($atlas->tool($id), $pairs);
        }
        $this->shares = array_filter($shares, static fn (?float $share): bool => $share !== null);
    }

    public function of(string $id): Tool
    {
        return $this->tools[$id] ??= isset($this->shares[$id])
            ? $this->atlas->tool($id)->spread($this->shares[$id])
            : $this->atlas->tool($id);
    }

    public function isMeasured(string $id): bool
    {
        return isset($this->shares[$id]);
    }
}
