<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Bank;
use Zetema\Core\Data\Malformed;

/** Files that texts show. Who knows a content's hash may see it: candidates learn it from their paper. */
final readonly class MediaController
{
    public function __construct(private Media $media)
    {
    }

    #[Route('/api/banks/{id}/media', methods: ['GET'])]
    #[IsGranted('ROLE_READER')]
    public function all(#[MapEntity] Bank $bank): JsonResponse
    {
        return new JsonResponse(['media' => array_map(static fn (Medium $m): array => $m->toData(), $this->media->of($bank))]);
    }

    /** The body is the file itself. */
    #[Route('/api/banks/{id}/media/{name}', methods: ['PUT'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function take(#[MapEntity(id: 'id')] Bank $bank, string $name, Request $request): JsonResponse
    {
        if ((int) $request->headers->get('Content-Length', '0') > Media::LARGEST_OTHER) {
            throw new Malformed(
                'file',
                sprintf(
                    'has %.1f MB; a picture may have up to %d MB, sound or film up to %d MB',
                    (int) $request->headers->get('Content-Length') / 1e6,
                    intdiv(Media::LARGEST_PICTURE, 1_000_000),
                    intdiv(Media::LARGEST_OTHER, 1_000_000),
                ),
            );
        }
        $taken = $this->media->take($bank, $name, $request->getContent());

        return new JsonResponse([...$taken['medium']->toData(), 'takenOut' => $taken['takenOut']], 201);
    }

    #[Route('/api/media/{hash}', requirements: ['hash' => '[0-9a-f]{64}'], methods: ['GET'])]
    public function show(string $hash): Response
    {
        $medium = $this->media->byHash($hash);
        if ($medium === null || !is_file($this->media->path($hash))) {
            throw new NotFoundHttpException();
        }

        return new BinaryFileResponse(
            $this->media->path($hash),
            200,
            [
                'Content-Type' => $medium->type,
                'Cache-Control' => 'private, max-age=31536000, immutable',
                'X-Content-Type-Options' => 'nosniff',
                'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox; frame-ancestors 'self'",
            ],
            false,
        );
    }
}
