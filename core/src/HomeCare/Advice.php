<?php

declare(strict_types=1);

namespace Somatrace\Core\HomeCare;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\SelfCare;

/** One small thing to do at home, for one muscle, with its dose today and when to stop. */
final readonly class Advice
{
    /**
     * @param  string  $dose  at this stage
     * @param  string  $stage  what is said with it at this stage; empty where nothing is
     * @param  bool  $isAgain  it was handed out last time
     */
    public function __construct(
        public SelfCare $care,
        public MuscleAt $for,
        public string $dose,
        public string $stop,
        public string $stage,
        public string $because,
        public bool $isAgain,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'exercise' => $this->care->id, 'name' => $this->care->name, 'kind' => $this->care->kind, 'steps' => $this->care->steps,
            'dose' => $this->dose, 'how_often' => $this->care->howOften, 'stop' => $this->stop, 'stage' => $this->stage,
            'because' => $this->because, 'again' => $this->isAgain, 'muscle' => $this->for->muscle, 'side' => $this->for->side->value,
        ];
    }
}
