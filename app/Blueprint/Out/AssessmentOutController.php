<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Zetema\App\Bank\Archive\BankArchive;
use Zetema\App\Bank\Out\BankTable;
use Zetema\App\Bank\Out\BankText;
use Zetema\App\Bank\Out\OutController;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\DealtQuestions;
use Zetema\App\Shared\FixedZip;
use Zetema\App\Shared\NamedFile;
use Zetema\App\Shared\WholeFile;

/**
 * The ways out of an assessment: with all questions that it can deal. Text and table hold the questions alone; the archive and the package
 * say how they are dealt, too.
 */
#[IsGranted('ROLE_READER')]
final readonly class AssessmentOutController
{
    public function __construct(private DealtQuestions $questions)
    {
    }

    #[Route('/api/blueprints/{id}/text', methods: ['GET'])]
    public function text(#[MapEntity] Blueprint $blueprint, BankText $text): Response
    {
        return WholeFile::response(
            $text->pieces($blueprint->bank, $this->questions->selection($blueprint)),
            NamedFile::after($blueprint->title(), 'zet.txt', 'assessment'),
            'text/plain; charset=utf-8',
        );
    }

    #[Route('/api/blueprints/{id}/table', methods: ['GET'])]
    public function table(#[MapEntity] Blueprint $blueprint, BankTable $table): Response
    {
        return WholeFile::response(
            $table->pieces($blueprint->bank, $this->questions->selection($blueprint)),
            NamedFile::after($blueprint->title(), 'csv', 'assessment'),
            'text/csv; charset=utf-8',
        );
    }

    #[Route('/api/blueprints/{id}/table/missing', methods: ['GET'])]
    public function missingInTable(#[MapEntity] Blueprint $blueprint, BankTable $table): JsonResponse
    {
        ['rows' => $rows, 'without' => $without, 'missing' => $missing] = $table->missing(
            $blueprint->bank,
            $this->questions->selection($blueprint),
        );

        return new JsonResponse([
            'questions' => $rows,
            'missing' => [...$without === [] ? [] : [['what' => 'questions that no row can hold', 'items' => $without]], ...$missing],
        ]);
    }

    #[Route('/api/blueprints/{id}/archive', methods: ['GET'])]
    #[IsGranted('ROLE_AUTHOR')]
    public function archive(#[MapEntity] Blueprint $blueprint, BankArchive $archive): Response
    {
        return FixedZip::response(
            $archive->files($blueprint->bank, $this->questions->selection($blueprint), [$blueprint->id]),
            NamedFile::after($blueprint->title(), 'zip', 'assessment'),
        );
    }

    #[Route('/api/blueprints/{id}/package', methods: ['GET'])]
    public function package(#[MapEntity] Blueprint $blueprint, AssessmentPackage $package, Request $request): Response
    {
        return FixedZip::response(
            $package->files($blueprint, OutController::version($request)),
            NamedFile::after($blueprint->title() . ' ' . OutController::version($request)->value, 'zip', 'assessment'),
        );
    }

    #[Route('/api/blueprints/{id}/package/missing', methods: ['GET'])]
    public function missingInPackage(#[MapEntity] Blueprint $blueprint, AssessmentPackage $package, Request $request): JsonResponse
    {
        return new JsonResponse($package->missing($blueprint, OutController::version($request)));
    }
}
