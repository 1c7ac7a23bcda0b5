<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\SpeaksOf;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\Sign;

/** What the answer to a test says of what it tests, by how well it tells. */
final readonly class TestSign
{
    /** @return Sign|null nothing where it was not done, or was not answered */
    public static function of(RankingContext $context, SpeaksOf $one, TestFinding $finding, string $code): ?Sign
    {
        $says = self::says($context, $one, $finding);
        if ($says === null) {
            return null;
        }
        $test = $context->atlas->test($finding->test);

        return $context->sign(
            'test', 'test_tells',
            static fn (): string => $finding->side->after($test->name).': '.self::words($finding, $test->answers), $code,
            $one->weight($says),
        );
    }

    public static function says(RankingContext $context, SpeaksOf $one, TestFinding $finding): ?bool
    {
        if ($one->atMost !== null) {
            return $finding->value === null ? null : $finding->value <= $one->atMost;
        }
        if (! in_array($finding->result, ['positive', 'negative', 'relieves'], true)) {
            return null;
        }

        return $finding->result === $one->answer && (
            $one->into === null || array_filter(
                $finding->refersTo,
                static fn (Place $place): bool => in_array($place->zone, $context->atlas->zoneSets[$one->into] ?? [], true),
            ) !== []
        );
    }

    /** @param  array<string, string>  $answers */
    private static function words(TestFinding $finding, array $answers): string
    {
        return $finding->value === null ? ($answers[$finding->result ?? ''] ?? (string) $finding->result) : (string) $finding->value;
    }
}
