<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\CaseFile\Session;

/** How this therapist works where practitioners differ; what was not chosen is the default. */
final readonly class School
{
    /** @param  array<string, string>  $choices */
    private function __construct(private array $choices)
    {
    }

    public static function of(Session $session, PlanFigures $figures): self
    {
        return new self([...$figures->schoolDefault, ...$session->school]);
    }

    public function chose(string $question): string
    {
        return $this->choices[$question] ?? '';
    }

    public function is(string $question, string $choice): bool
    {
        return $this->chose($question) === $choice;
    }
}
