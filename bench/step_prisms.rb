# frozen_string_literal: true

module Bench
  # Prisms of many plane sides, in rows, as a STEP file (ISO 10303-21, application protocol 214).
  class StepPrisms
    HEAD = <<~STEP
      ISO-10303-21;
      HEADER;
      FILE_DESCRIPTION((''),'2;1');
      FILE_NAME('prism.step','2026-01-01T00:00:00',(''),(''),'','','');
      FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'));
      ENDSEC;
      DATA;
    STEP

    # @param count [Integer] prisms
    # @param sides [Integer] of each
    # @param radius [Float] mm
    # @param height [Float] mm
    def initialize(count, sides, radius, height)
      @count = count
      @sides = sides
      @radius = radius
      @height = height
      @lines = []
    end

    # @return [String]
    def text
      product((0...@count).map { |i| solid(i) })
      [HEAD, *@lines.each_with_index.map { |line, i| "##{i + 1}=#{line};\n" }, "ENDSEC;\nEND-ISO-10303-21;\n"].join
    end

    private

    def add(line)
      @lines << line
      "##{@lines.size}"
    end

    def solid(index)
      row = Math.sqrt(@count).ceil
      @middle = [index % row, index / row].map { |k| k * @radius * 2.5 }
      @vertices = {}
      @edges = {}
      add("MANIFOLD_SOLID_BREP('prism #{index + 1}',#{add("CLOSED_SHELL('',(#{[*walls, cap(0), cap(1)].join(',')}))")})")
    end

    def triple(values) = "(#{values.map { |v| format('%.9f', v) }.join(',')})"
    def point(values) = add("CARTESIAN_POINT('',#{triple(values)})")
    def direction(values) = add("DIRECTION('',#{triple(values)})")

    def at(index, level)
      angle = 2 * Math::PI * (index % @sides) / @sides
      [@middle[0] + (@radius * Math.cos(angle)), @middle[1] + (@radius * Math.sin(angle)), level * @height]
    end

    def vertex(index, level) = @vertices[[index % @sides, level]] ||= add("VERTEX_POINT('',#{point(at(index, level))})")

    # The edge between two corners, either way round.
    def edge(from, to)
      @edges.key?([to, from]) ? [@edges[[to, from]], ".F."] : [@edges[[from, to]] ||= new_edge(from, to), ".T."]
    end

    def new_edge(from, to)
      a = at(*from)
      along = at(*to).zip(a).map { |p, q| p - q }
      vector = add("VECTOR('',#{direction(along)},1.)")
      add("EDGE_CURVE('',#{vertex(*from)},#{vertex(*to)},#{add("LINE('',#{point(a)},#{vector})")},.T.)")
    end

    def face(corners, normal, across)
      loop = corners.each_with_index.map do |corner, i|
        curve, way = edge(corner, corners[(i + 1) % corners.size])
        add("ORIENTED_EDGE('',*,*,#{curve},#{way})")
      end
      bound = add("FACE_OUTER_BOUND('',#{add("EDGE_LOOP('',(#{loop.join(',')}))")},.T.)")
      place = add("AXIS2_PLACEMENT_3D('',#{point(at(*corners[0]))},#{direction(normal)},#{direction(across)})")
      add("ADVANCED_FACE('',(#{bound}),#{add("PLANE('',#{place})")},.T.)")
    end

    def walls
      (0...@sides).map do |i|
        angle = 2 * Math::PI * (i + 0.5) / @sides
        n = (i + 1) % @sides
        face([[i, 0], [n, 0], [n, 1], [i, 1]], [Math.cos(angle), Math.sin(angle), 0.0], [0.0, 0.0, 1.0])
      end
    end

    def cap(level)
      order = (0...@sides).map { |i| [i, level] }
      face(level.zero? ? order.reverse : order, [0.0, 0.0, (level * 2) - 1.0], [1.0, 0.0, 0.0])
    end

    def product(solids)
      context = add("APPLICATION_CONTEXT('automotive_design')")
      product = add("PRODUCT('prism','prism','',(#{add("PRODUCT_CONTEXT('',#{context},'mechanical')")}))")
      definition = add("PRODUCT_DEFINITION('','',#{add("PRODUCT_DEFINITION_FORMATION('','',#{product})")},#{add("PRODUCT_DEFINITION_CONTEXT('part definition',#{context},'design')")})")
      shape = add("PRODUCT_DEFINITION_SHAPE('','',#{definition})")
      units = [add("(LENGTH_UNIT() NAMED_UNIT(*) SI_UNIT(.MILLI.,.METRE.))"), add("(NAMED_UNIT(*) PLANE_ANGLE_UNIT() SI_UNIT($,.RADIAN.))"),
               add("(NAMED_UNIT(*) SI_UNIT($,.STERADIAN.) SOLID_ANGLE_UNIT())")]
      accuracy = add("UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(1.E-05),#{units[0]},'distance_accuracy_value','')")
      space = add("(GEOMETRIC_REPRESENTATION_CONTEXT(3) GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((#{accuracy})) GLOBAL_UNIT_ASSIGNED_CONTEXT((#{units.join(',')})) REPRESENTATION_CONTEXT('',''))")
      origin = add("AXIS2_PLACEMENT_3D('',#{point([0.0, 0.0, 0.0])},#{direction([0.0, 0.0, 1.0])},#{direction([1.0, 0.0, 0.0])})")
      add("SHAPE_DEFINITION_REPRESENTATION(#{shape},#{add("ADVANCED_BREP_SHAPE_REPRESENTATION('',(#{[origin, *solids].join(',')}),#{space})")})")
    end
  end
end
