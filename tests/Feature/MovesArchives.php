<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/**
 * Projects that are saved as archives and restored.
 *
 * @phpstan-require-extends \Tests\TestCase
 */
trait MovesArchives
{
    /** @return string the bytes of the archive of a project */
    private function archiveOf(int $project): string
    {
        $response = $this->get("/api/projects/$project/archive")->assertOk();

        return (string) file_get_contents($response->baseResponse instanceof BinaryFileResponse ? $response->baseResponse->getFile()->getPathname() : '');
    }

    /** @return TestResponse<Response> */
    private function restore(string $archive): TestResponse
    {
        return $this->call('POST', '/api/projects/archive', server: ['CONTENT_TYPE' => 'application/zip', 'HTTP_ACCEPT' => 'application/json'], content: $archive);
    }
}
