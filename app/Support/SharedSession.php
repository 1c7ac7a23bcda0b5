<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Session\EncryptedStore;

/**
 * A session that several requests of one browser have open at once. Each writes back what it changed and leaves the rest as the others left
 * it: written back whole, one that began early and ended late would undo what came between. What was ended meanwhile stays ended.
 */
final class SharedSession extends EncryptedStore
{
    /** @var array<string, mixed> as it stood when this request opened it */
    private array $found = [];

    private string $foundUnder = '';

    /** @return array<string, mixed> */
    protected function readFromHandler(): array
    {
        $this->foundUnder = $this->getId();

        return $this->found = parent::readFromHandler();
    }

    public function save(): void
    {
        if ($this->found !== [] && $this->foundUnder === $this->getId()) {
            $found = $this->found;
            $stands = $this->readFromHandler();
            if ($stands === []) {
                $this->started = false;

                return;
            }
            $this->attributes = self::merged($found, $this->attributes, $stands);
        }
        parent::save();
    }

    /**
     * @param  array<string, mixed>  $found
     * @param  array<string, mixed>  $mine
     * @param  array<string, mixed>  $stands
     * @return array<string, mixed>
     */
    private static function merged(array $found, array $mine, array $stands): array
    {
        $told = static fn (array $all, string $key): ?string => array_key_exists($key, $all) ? serialize($all[$key]) : null;
        $untouched = array_filter(
            array_keys($found + $mine + $stands), static fn (string $key): bool => $told($mine, $key) === $told($found, $key),
        );

        return array_diff_key($mine, array_flip($untouched)) + array_intersect_key($stands, array_flip($untouched));
    }
}
