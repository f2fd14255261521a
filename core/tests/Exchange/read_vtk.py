"""Reads an exported grid and its surfaces with the reader of the format's own library, and tells what it found as JSON."""

import json
import math
import sys

from vtkmodules.vtkFiltersVerdict import vtkCellSizeFilter
from vtkmodules.vtkIOXML import vtkXMLPolyDataReader, vtkXMLRectilinearGridReader


def read(reader, path):
    reader.SetFileName(path)
    reader.Update()
    return reader.GetOutput()


def names(data):
    return [data.GetCellData().GetArrayName(n) for n in range(data.GetCellData().GetNumberOfArrays())]


grid = read(vtkXMLRectilinearGridReader(), sys.argv[1])
surfaces = read(vtkXMLPolyDataReader(), sys.argv[2])
streams = read(vtkXMLPolyDataReader(), sys.argv[3]) if len(sys.argv) > 3 else None
temperature = grid.GetCellData().GetArray("temperature [K]")
sizes = vtkCellSizeFilter()
sizes.SetInputData(surfaces)
sizes.Update()
area = sizes.GetOutput().GetCellData().GetArray("Area")
flux = surfaces.GetCellData().GetArray("surfaceHeatFlux [W/m2]")
watts = [flux.GetValue(n) * area.GetValue(n) for n in range(flux.GetNumberOfTuples())]
print(
    json.dumps(
        {
            "cells": grid.GetNumberOfCells(),
            "fields": names(grid),
            "hottest": max(temperature.GetValue(n) for n in range(temperature.GetNumberOfTuples())),
            "surfaceFields": names(surfaces),
            "bounds": surfaces.GetBounds(),
            "lines": streams and [streams.GetCell(n).GetNumberOfPoints() for n in range(streams.GetNumberOfCells())],
            "atPoints": streams and [streams.GetPointData().GetArrayName(n) for n in range(streams.GetPointData().GetNumberOfArrays())],
            "watts": sum(w for w in watts if not math.isnan(w)),
        }
    )
)
