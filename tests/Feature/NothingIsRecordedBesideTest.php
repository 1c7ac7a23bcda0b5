<?php

declare(strict_types=1);

namespace Tests\Feature;

use Inertia\DevTools\DevTools;
use Tests\TestCase;

final class NothingIsRecordedBesideTest extends TestCase
{
    /**
     * The tools of the page framework write every page to a folder of their own wherever the application runs "local", as the demo does.
     */
    public function test_no_page_is_written_beside_the_database(): void
    {
        $this->app['env'] = 'local';

        self::assertFalse(DevTools::enabled());
    }
}
