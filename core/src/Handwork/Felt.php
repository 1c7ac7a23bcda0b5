<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\PalpationFinding;

/** What the hand found in one muscle on one side today, all its places together. */
final readonly class Felt
{
    private const TENDER = 2;

    private bool $isTender;

    /** @param  list<PalpationFinding>  $findings */
    private function __construct(private array $findings)
    {
        $this->isTender = $this->any(static fn (PalpationFinding $one): bool => ($one->tenderness ?? 0) >= self::TENDER
            || $one->familiar === Answer::Yes);
    }

    /** @return array<string, self> by muscle and side, of what was felt anywhere */
    public static function everywhere(CaseFile $case): array
    {
        $findings = [];
        foreach ($case->findings->palpation as $finding) {
            $findings[$finding->at()->key()][] = $finding;
        }

        return array_map(static fn (array $own): self => new self($own), $findings);
    }

    public static function nothing(): self
    {
        return new self([]);
    }

    /** Somebody looked. */
    public function isFelt(): bool
    {
        return $this->any(static fn (PalpationFinding $one): bool => $one->tenderness !== null
            || $one->tone !== null || $one->texture !== [] || $one->familiar !== null);
    }

    /** Something that asks for work, or for a reason why it is not worked. */
    public function isFound(): bool
    {
        return $this->isTender() || $this->isInSpasm() || $this->isStuck();
    }

    public function isTender(): bool
    {
        return $this->isTender;
    }

    /** Felt, and nothing there. */
    public function isQuiet(): bool
    {
        return $this->isFelt() && ! $this->isFound()
            && ! $this->any(static fn (PalpationFinding $one): bool => ($one->tenderness ?? 0) > 0
                || ! in_array($one->tone, [null, 'usual'], true) || $one->texture !== []);
    }

    public function isInSpasm(): bool
    {
        return $this->any(static fn (PalpationFinding $one): bool => $one->tone === 'spasm');
    }

    public function isStuck(): bool
    {
        return $this->has('stuck_layers');
    }

    public function isSwollen(): bool
    {
        return $this->has('swollen');
    }

    private function has(string $texture): bool
    {
        return $this->any(static fn (PalpationFinding $one): bool => in_array($texture, $one->texture, true));
    }

    /** @return list<string> the sites that were felt, the sorest first */
    public function sites(): array
    {
        return array_values(array_unique(array_filter(array_map(
            static fn (PalpationFinding $one): ?string => $one->site, $this->sorestFirst(),
        ))));
    }

    /** @return list<PalpationFinding> each place a point was found in, the sorest first */
    public function points(): array
    {
        return array_values(array_filter(
            $this->sorestFirst(),
            static fn (PalpationFinding $one): bool => ($one->tenderness ?? 0) >= self::TENDER || $one->familiar === Answer::Yes
                || in_array('nodule', $one->texture, true),
        ));
    }

    /** @return list<PalpationFinding> in whatever order they were written */
    private function sorestFirst(): array
    {
        $findings = $this->findings;
        usort($findings, static fn (PalpationFinding $a, PalpationFinding $b): int => [
            -($a->tenderness ?? 0), $a->familiar !== Answer::Yes, $a->site, $a->spot,
        ] <=> [-($b->tenderness ?? 0), $b->familiar !== Answer::Yes, $b->site, $b->spot]);

        return $findings;
    }

    /** @param  callable(PalpationFinding): bool  $is */
    private function any(callable $is): bool
    {
        foreach ($this->findings as $finding) {
            if ($is($finding)) {
                return true;
            }
        }

        return false;
    }
}
